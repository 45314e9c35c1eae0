import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { formatLength, setupDrift, whyOf } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { DriftFigureComponent } from '../../shared/drift/drift-figure.component';
import type { RanDrift } from '../../shared/drift/ran-drift';
import { actText } from '../../shared/drift/act-kinds';
import { castText, HANDLING_REASONS, HANDLING_TEXTS, whyText } from '../../shared/drift/drift-texts';
import { BenchDrift } from '../../data/kept-drift';
import { OnePageDirective } from '../../parts/one-page.directive';

/** A drift on paper for a student: the picture, what to do in order, what to look for. */
@Component({
  selector: 'doceo-drift-card',
  imports: [OnePageDirective, DriftFigureComponent, RouterLink],
  template: `
    <article class="sheet" doceoOnePage>
      <header class="row">
        <h1>The drift to try</h1>
        <span class="spread"></span>
        <a class="btn small no-print" routerLink="/drift">Back to the bench</a>
        <button type="button" class="btn small go no-print" (click)="print()">Print</button>
      </header>
      <doceo-drift-figure [setup]="setup" [height]="360" (worked)="kept.set($event)" />
      @if (kept()) {
        <div class="columns">
          <section>
            <h2>Do this</h2>
            <ol>
              @for (step of steps(); track step) {
                <li>{{ step }}</li>
              }
            </ol>
          </section>
          <section>
            <h2>Look for</h2>
            <ul>
              <li>The fly keeps pace with the bubbles around it: a good drift.</li>
              <li>{{ why() }}</li>
              <li>Then lift off and cast again: the first drift over a place is the best one.</li>
            </ul>
          </section>
        </div>
        <p class="small soft">
          Computed for the lanes drawn, as the slack lay; on the water it is near this. Glasses on; wade no
          deeper than your instructor and local advice say.
        </p>
      }
    </article>
  `,
  styles: `
    header {
      margin-bottom: 10px;
    }
    .columns {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 24px;
      margin: 14px 0;
    }
    ol,
    ul {
      margin: 6px 0;
      padding-left: 20px;
      display: grid;
      gap: 5px;
    }
    @media (max-width: 700px) {
      .columns {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class DriftCardPage {
  private readonly session = inject(SessionStore);
  protected readonly setup = inject(BenchDrift).get();
  protected readonly kept = signal<RanDrift | null>(null);
  protected readonly steps = computed(() => {
    const { setup } = this;
    const units = this.session.units();
    const along =
      setup.standM === 0
        ? 'level with the fish'
        : `${this.length(Math.abs(setup.standM))} ${setup.standM > 0 ? 'below' : 'above'} the fish`;
    return [
      `Stand ${along}${setup.outM > 0.1 ? `, ${this.length(setup.outM)} out` : ', on the bank'}.`,
      `Cast ${castText(setup).toLowerCase()}, ${this.length(setupDrift(setup).castM)} beyond the tip, with a little slack.`,
      `Rod: ${HANDLING_TEXTS[setup.handling]}. ${HANDLING_REASONS[setup.handling]}`,
      ...setup.acts.map(
        (act) =>
          `After ${act.atS.toFixed(1)} s: ${actText(act, units)}. Lift the line to mend, do not drag it.`,
      ),
    ];
  });
  protected readonly why = computed(() => {
    const kept = this.kept();
    if (!kept) return '';
    const { setup, told } = kept;
    return whyText(whyOf(setup, told.run), setup, told.run.onsetS, this.session.units());
  });

  protected print(): void {
    window.print();
  }

  private length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}

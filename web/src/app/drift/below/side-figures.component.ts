import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { formatLength, formatSpeed, INDICATOR_FACTORS, formatMass } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { FigureRowsComponent } from '../../parts/figure-rows.component';
import { SideStore } from './side-store';

/** The figures of a drift under water, and the way from the map back to the rig. */
@Component({
  selector: 'doceo-side-figures',
  imports: [FigureRowsComponent, RouterLink],
  template: `
    <h2>Does the fly get there?</h2>
    <p class="small soft">
      Surface {{ surface() }} where the fly drifts, {{ length(store.depthM()) }} deep; below it is slower. The
      float is slowed by what hangs there and leads, the fly trails.
    </p>
    @if (figures().length > 0) {
      <doceo-figure-rows [rows]="figures()" [from]="from()" />
    }
    @if (store.tried(); as tried) {
      <p class="tried small">
        Shown is the float {{ length(tried.leaderM) }} above the point fly with {{ grams(tried.addedKg) }} of
        shot added.
        <span class="row">
          @if (store.hasIndicator()) {
            <button type="button" class="btn small go" (click)="setRig()">Set my rig so</button>
          }
          <button type="button" class="btn small" (click)="store.tried.set(null)">Back to the rig</button>
        </span>
      </p>
    } @else if (store.before()) {
      <p class="tried small">
        “{{ store.rig()?.name }}” is set so.
        <span class="row">
          <button type="button" class="btn small" (click)="undoRig()">Undo</button>
          <a class="btn small" [routerLink]="['/rig', store.rig()!.id]">Open it</a>
        </span>
      </p>
    }
    <h2>The rules</h2>
    <p class="small">{{ rules() }}</p>
  `,
  styles: `
    :host {
      display: block;
    }
    .tried {
      background: var(--sighter-pale);
      padding: 8px 10px;
      margin-bottom: 12px;
    }
    .tried .row {
      margin-top: 6px;
    }
    h2 {
      margin-bottom: 3px;
    }
  `,
})
export class SideFiguresComponent {
  protected readonly store = inject(SideStore);
  private readonly session = inject(SessionStore);

  protected readonly surface = computed(() =>
    formatSpeed(Math.abs(this.store.surfaceMs()), this.session.units()),
  );
  protected readonly figures = computed(() => {
    const run = this.store.ran()?.run;
    if (!run) return [];
    const speed = formatSpeed(Math.max(0, run.floatSlipMs), this.session.units());
    const seconds = (value: number | null): string => (value === null ? 'never' : `${value.toFixed(1)} s`);
    const lean = Math.abs(run.steadyDeg).toFixed(0);
    return [
      { name: 'In the zone after', text: seconds(run.toZoneS), bad: run.toZoneS === null },
      { name: 'There without touching bottom', text: seconds(run.clearS), bad: run.clearS === 0 },
      { name: 'Comes to', text: this.length(run.steadyDepthM), bad: false },
      { name: 'Fly trails by', text: run.steadyDeg >= 0 ? `${lean}°` : `none, leads ${lean}°`, bad: false },
      { name: 'Float slower, on the whole drift', text: speed, bad: false },
      { name: 'Float pulls the fly from', text: seconds(run.leadsFromS), bad: false },
      { name: 'Ticks a drift', text: `${run.ticks}`, bad: false },
      { name: 'On the bottom', text: `${Math.round(run.contactShare * 100)} %`, bad: run.contactShare > 0.5 },
      ...(run.goesUnder ? [{ name: 'Float', text: 'goes under', bad: true }] : []),
    ];
  });
  protected readonly from = computed(
    () => `“${this.store.rig()?.name ?? 'the rig'}” and a typical current below the surface`,
  );
  protected readonly rules = computed(() => {
    const [own, depthM] = [this.store.own(), this.store.depthM()];
    if (!own) return '';
    const times = (own.leaderM / depthM).toFixed(2);
    const at = Object.values(INDICATOR_FACTORS)
      .filter((factor) => factor > 1)
      .map((factor) => `${factor} × is ${this.length(factor * depthM)}`)
      .join(', ');
    return `Your float is ${this.length(own.leaderM)} above the point fly, ${times} × the depth; ${at}. These rules are made for fast water or light flies; in slow water they put the fly on the bottom.`;
  });

  protected setRig(): void {
    // What goes wrong is told by the store.
    this.store.setRig().subscribe({ error: () => undefined });
  }

  protected undoRig(): void {
    this.store.undoRig().subscribe({ error: () => undefined });
  }

  protected length(metres: number): string {
    return formatLength(metres, this.session.units());
  }

  protected grams(kg: number): string {
    return formatMass(kg, this.session.units());
  }
}

import { Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { type DriftSetup, formatLength, setupDrift } from '@doceo/core';
import { catchError, of } from 'rxjs';
import { SessionStore } from '../../data/session';
import { BenchRunner } from '../../workers/bench-runner';
import type { RanDrift } from './ran-drift';
import { TopViewComponent } from './top-view.component';

/** So long after drag has begun the picture is taken, seconds. */
const AFTER_S = 0.8;

/** A drift as a picture for paper: from above, shortly after drag has begun, with how long it lasts until then. */
@Component({
  selector: 'doceo-drift-figure',
  imports: [TopViewComponent],
  template: `
    <figure>
      @if (ran(); as drift) {
        <doceo-top-view
          [setup]="drift.setup"
          [ran]="drift"
          [atS]="atS()"
          [height]="height()"
          [editable]="false"
        />
        <figcaption>{{ caption() }}</figcaption>
      } @else if (failed()) {
        <figcaption>This drift could not be worked out.</figcaption>
      } @else {
        <figcaption role="status">Working out the drift …</figcaption>
      }
    </figure>
  `,
  styles: `
    figure {
      margin: 0;
      break-inside: avoid;
    }
  `,
})
export class DriftFigureComponent {
  private readonly runner = inject(BenchRunner);
  private readonly session = inject(SessionStore);
  readonly setup = input.required<DriftSetup>();
  readonly height = input(200);
  readonly worked = output<RanDrift>();
  protected readonly ran = signal<RanDrift | null>(null);
  protected readonly failed = signal(false);
  protected readonly atS = computed(() => {
    const run = this.ran()?.told.run;
    return run ? (run.onsetS ?? run.frames.at(-1)!.atS) + AFTER_S : 0;
  });
  protected readonly caption = computed(() => {
    const run = this.ran()!.told.run;
    return run.onsetS === null
      ? `No drag in ${run.frames.at(-1)!.atS.toFixed(0)} seconds.`
      : `About ${run.onsetS.toFixed(1)} seconds, ${formatLength(run.cleanM, this.session.units())}, until it drags.`;
  });

  constructor() {
    effect((onCleanup) => {
      const setup = this.setup();
      const work = this.runner
        .run('surface', setupDrift(setup))
        .pipe(catchError(() => of(null)))
        .subscribe((told) => {
          const ran = told && { setup, told };
          this.failed.set(!ran);
          this.ran.set(ran);
          if (ran) this.worked.emit(ran);
        });
      onCleanup(() => work.unsubscribe());
    });
  }
}

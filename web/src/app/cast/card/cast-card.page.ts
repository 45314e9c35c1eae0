import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { formatRoundLength, METRES_PER_FOOT, pauseTable } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { OnePageDirective } from '../../parts/one-page.directive';

const LENGTHS = { metric: [5, 6, 7, 8, 9, 10, 12, 14], imperial: [15, 18, 21, 24, 27, 30, 36, 42] };

/** The pause on paper, for a student. */
@Component({
  selector: 'doceo-cast-card',
  imports: [OnePageDirective, RouterLink],
  template: `
    <article class="sheet" doceoOnePage>
      <header class="row">
        <h1>Wait for the line</h1>
        <span class="spread"></span>
        <a class="btn small no-print" routerLink="/cast">Back to the bench</a>
        <button type="button" class="btn small go no-print" (click)="print()">Print</button>
      </header>
      <p>
        Stop the rod, then count. Begin the next stroke when the line is straight: watch it over your
        shoulder.
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>Line beyond the rod</th>
            <th>Pause</th>
            <th>Stops a minute</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.length) {
            <tr>
              <td class="figure">{{ row.length }}</td>
              <td class="figure">{{ row.pause }}</td>
              <td class="figure">{{ row.beats }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="small soft">
        For a five-weight line thrown as beginners do, in calm air. Harder throws need less, wind against you
        more. Glasses on, and look behind you before every cast.
      </p>
    </article>
  `,
  styles: `
    p {
      margin: 10px 0;
    }
    table {
      max-width: 460px;
      font-size: 17px;
    }
  `,
})
export class CastCardPage {
  private readonly session = inject(SessionStore);
  protected readonly rows = computed(() => {
    const units = this.session.units();
    const metres = LENGTHS[units].map((one) => (units === 'metric' ? one : one * METRES_PER_FOOT));
    return pauseTable(metres).map(({ lineM, pauseS, beatsPerMin }) => ({
      length: formatRoundLength(lineM, units),
      pause: pauseS === null ? 'never' : `${pauseS.toFixed(1)} s`,
      beats: beatsPerMin === null ? '–' : beatsPerMin.toFixed(0),
    }));
  });

  protected print(): void {
    window.print();
  }
}

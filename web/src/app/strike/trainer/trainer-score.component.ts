import { Component, computed, input } from '@angular/core';
import type { TrainerScore } from '@doceo/core';
import { OriginComponent } from '../../parts/origin.component';
import { biasText, TAKE_TEXTS } from '../strike-texts';

/** What a touch screen or a keyboard adds before the page hears of it, milliseconds. Estimate. */
const INPUT_MS = '10 to 60';

/** The outcome of a run of the trainer: all together, and for each kind of take. */
@Component({
  selector: 'doceo-trainer-score',
  imports: [OriginComponent],
  template: `
    <section aria-label="Score">
      <doceo-origin class="origin" of="measured" [from]="'this run'" />
      <ul class="figures">
        @for (figure of figures(); track figure.name) {
          <li>
            <b class="figure">{{ figure.value }}</b>
            <span>{{ figure.name }}</span>
          </li>
        }
      </ul>
      <table class="plain">
        <thead>
          <tr>
            <th>Take</th>
            <th>Seen</th>
            <th>Reaction</th>
            <th title="how well it is told from what is no take">Score</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <td>{{ row.name }}</td>
              <td>
                <i class="bar"><i [style.width.%]="row.sharePc"></i></i>
                <span class="figure">{{ row.seen }}</span>
              </td>
              <td class="figure">{{ row.reaction }}</td>
              <td class="figure">{{ row.dPrime }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="small soft">
        The score tells how well takes are told from the rest: 0 is guessing, 3 is hardly ever wrong, below 0
        is worse than guessing. The student {{ leaning() }}. Times count from the picture that showed it; this
        screen shows one every {{ frameMs().toFixed(0) }} ms, and touch or key add about {{ inputMs }} ms.
      </p>
    </section>
  `,
  styles: `
    section {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
      gap: 8px 28px;
      align-items: start;
      border-top: 1.5px solid var(--ink);
      padding-top: 10px;
    }
    .origin {
      grid-column: 1 / -1;
    }
    .figures {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 10px;
    }
    li b {
      display: block;
      font-size: 22px;
    }
    li span {
      font-size: 12.5px;
      color: var(--ink-soft);
    }
    .bar {
      display: inline-block;
      width: 72px;
      height: 9px;
      background: var(--track);
      vertical-align: middle;
    }
    .bar i {
      display: block;
      height: 100%;
      background: var(--hook-setting);
    }
    p {
      grid-column: 1 / -1;
    }
    @media (max-width: 900px) {
      section {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class TrainerScoreComponent {
  readonly score = input.required<TrainerScore>();
  readonly frameMs = input.required<number>();
  protected readonly inputMs = INPUT_MS;

  protected readonly leaning = computed(() => biasText(this.score().bias));
  protected readonly figures = computed(() => {
    const { hits, misses, falseAlarms, passed, onNothing, dPrime, medianMs, fromMs, toMs, ticks, ticksSet } =
      this.score();
    return [
      { name: 'takes seen', value: `${hits} of ${hits + misses}` },
      { name: 'set on the water', value: `${falseAlarms} of ${falseAlarms + passed}` },
      { name: 'set on nothing', value: `${onNothing}` },
      {
        name: fromMs === null ? 'reaction' : `reaction, half of them ${seconds(fromMs)} to ${seconds(toMs)}`,
        value: seconds(medianMs),
      },
      { name: 'score, 3 is hardly ever wrong', value: dPrime.toFixed(1) },
      { name: 'bottom, set on', value: `${ticksSet} of ${ticks}` },
    ];
  });
  protected readonly rows = computed(() =>
    this.score().kinds.map(({ kind, shown, hits, medianMs, dPrime }) => ({
      name: TAKE_TEXTS[kind],
      seen: `${hits} of ${shown}`,
      sharePc: (hits / shown) * 100,
      reaction: seconds(medianMs),
      dPrime: dPrime.toFixed(1),
    })),
  );
}

function seconds(ms: number | null): string {
  return ms === null ? '–' : `${(ms / 1000).toFixed(2)} s`;
}

import { Component, computed, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Effect, MIN_EFFECT, MIN_EFFECT_STUDENTS, type Strand } from '@doceo/core';
import { counted } from '@doceo/texts';

export interface EffectLine extends Effect {
  id: string;
  name: string;
  strand: Strand;
  link?: string[];
}

const PAGE = 8;
const WIDTH = 76;

/** How much estimates rose with drills or plans: each a dot with its interval, and from how many. */
@Component({
  selector: 'doceo-effect-list',
  imports: [RouterLink],
  template: `
    <section>
      <h2>{{ title() }}</h2>
      @if (shown().length === 0) {
        <p class="soft">Nothing is on the record yet.</p>
      } @else {
        <ul>
          @for (line of shown(); track line.id) {
            <li [class]="'strand-' + line.strand">
              @if (line.link) {
                <a class="line" [routerLink]="line.link">{{ line.name }}</a>
              } @else {
                <span>{{ line.name }}</span>
              }
              @if (line.rise; as rise) {
                <svg [attr.viewBox]="'0 0 ' + width + ' 20'" aria-hidden="true">
                  <line [attr.x1]="x(0)" [attr.x2]="x(0)" y1="1" y2="19" class="none" />
                  <line [attr.x1]="x(rise.low)" [attr.x2]="x(rise.high)" y1="10" y2="10" class="range" />
                  <circle [attr.cx]="x(rise.mean)" cy="10" r="5" />
                </svg>
                <span class="figure"
                  ><b>{{ signed(rise.mean) }}</b
                  >&ngsp;<small class="soft">±{{ (rise.high - rise.mean).toFixed(2) }}</small></span
                >
                <span class="soft small"
                  >good {{ percent(line.good?.first) }}, then {{ percent(line.good?.last) }} of 100;
                  {{ from(line) }}</span
                >
              } @else {
                <span class="soft small">too few to say: {{ from(line) }}</span>
              }
            </li>
          }
        </ul>
        @if (lines().length > most()) {
          <button type="button" class="btn small" (click)="most.set(lines().length)">
            Show all {{ lines().length }}
          </button>
        }
        <p class="soft small">
          How much the estimate rose, the mean and its 90 % interval. Nothing is said below {{ least }}
          {{ of() }}s with {{ leastStudents }} students.
        </p>
      }
    </section>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 6px 0;
      padding: 0;
    }

    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 76px 86px;
      gap: 2px 10px;
      align-items: center;
      padding: 5px 0;
      border-bottom: 1px solid var(--line);
    }

    li > .small {
      grid-column: 1 / -1;
    }

    .figure {
      text-align: end;
      white-space: nowrap;
    }

    svg {
      width: 76px;
      height: 20px;
    }

    circle {
      fill: var(--strand);
    }

    .range {
      stroke: var(--strand);
      stroke-width: 3;
      opacity: 0.5;
    }

    .none {
      stroke: var(--ink-soft);
      stroke-dasharray: 2 3;
    }
  `,
})
export class EffectListComponent {
  readonly title = input.required<string>();
  readonly lines = input.required<readonly EffectLine[]>();
  /** What is counted, one of it. */
  readonly of = input.required<string>();

  protected readonly least = MIN_EFFECT;
  protected readonly leastStudents = MIN_EFFECT_STUDENTS;
  protected readonly width = WIDTH;
  protected readonly most = signal(PAGE);
  protected readonly shown = computed(() => this.lines().slice(0, this.most()));
  private readonly reach = computed(() => {
    const ends = this.lines().flatMap(({ rise }) => (rise ? [rise.low, rise.high] : []));
    return { low: Math.min(-0.05, ...ends), high: Math.max(0.1, ...ends) };
  });

  protected x(value: number): number {
    const { low, high } = this.reach();
    return 6 + ((WIDTH - 12) * (value - low)) / (high - low);
  }

  protected from({ n, students }: EffectLine): string {
    return `${counted(n, this.of())}, ${counted(students, 'student')}`;
  }

  protected signed(value: number): string {
    return `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(2)}`;
  }

  protected percent(share: number | undefined): string {
    return ((share ?? 0) * 100).toFixed(0);
  }
}

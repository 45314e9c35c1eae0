import { Component, computed, input, model, signal } from '@angular/core';
import {
  comfortBand,
  countdownTable,
  type DepthReading,
  formatLength,
  formatSpeed,
  formatTemperature,
  HANG_S,
  RETRIEVE_WAYS,
  retrieveRun,
  type RetrieveWayId,
  secondsIn,
  sinkRate,
  SPECIES,
  type LineKind,
  type Species,
  temperatureAt,
  type UnitSystem,
} from '@doceo/core';
import { LINE_NAMES, SPECIES_NAMES } from '@doceo/texts';

const WIDTH = 420;
const HEIGHT = 260;
const LEFT = 54;
const TOP = 14;
const RIGHT = 150;
/** Counts longer than this nobody counts, seconds. */
const LONGEST_S = 90;
const LINES = 5;
/** A cast of a beginner on still water, metres. */
const CAST_M = 12;
/** A rod for still water, metres. */
const ROD_M = 2.95;
const WAYS: { id: RetrieveWayId; name: string }[] = [
  { id: 'pinch', name: 'pinch by pinch' },
  { id: 'hand-twist', name: 'hand-twist' },
  { id: 'short-strip', name: 'short strips' },
  { id: 'long-strip', name: 'long strips' },
];
/** Temperatures that differ by less over the whole depth are one. */
const MIXED_C = 0.5;

/** Temperature by depth of a lake, where a species is at ease, and which line counted how long reaches it. */
@Component({
  selector: 'doceo-comfort-band',
  template: `
    <div class="row between">
      <h2>Which depth, which line, what count</h2>
      <div class="segments" role="group" aria-label="Species">
        @for (one of kinds; track one.id) {
          <button type="button" [attr.aria-pressed]="species() === one.id" (click)="species.set(one.id)">
            {{ one.name }}
          </button>
        }
      </div>
    </div>
    <div class="beside">
      <svg [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height" role="img" [attr.aria-label]="words()">
        <rect
          [attr.x]="size.left"
          [attr.y]="size.top"
          [attr.width]="inner"
          [attr.height]="tall"
          class="water"
        />
        @for (band of bands(); track band.y) {
          <rect
            [attr.x]="size.left"
            [attr.y]="band.y"
            [attr.width]="inner"
            [attr.height]="band.height"
            class="band"
          />
          <text [attr.x]="size.left + inner + 8" [attr.y]="band.y + band.height / 2 + 4">
            {{ band.text }}
          </text>
        }
        @for (mark of marks(); track mark.y) {
          <line
            [attr.x1]="size.left - 4"
            [attr.x2]="size.left"
            [attr.y1]="mark.y"
            [attr.y2]="mark.y"
            class="tick"
          />
          <text [attr.x]="size.left - 8" [attr.y]="mark.y + 4" text-anchor="end" class="figures">
            {{ mark.text }}
          </text>
        }
        <polyline [attr.points]="line()" class="profile" />
        <text [attr.x]="ends().top.x" [attr.y]="size.top + 14" class="figures on">{{ ends().top.text }}</text>
        <text [attr.x]="ends().bottom.x" [attr.y]="size.top + tall - 6" class="figures on">
          {{ ends().bottom.text }}
        </text>
      </svg>
      <div>
        <p>{{ advice() }}</p>
        @if (lines().length > 0) {
          <div class="segments" role="group" aria-label="Retrieve">
            @for (one of ways; track one.id) {
              <button type="button" [attr.aria-pressed]="way() === one.id" (click)="way.set(one.id)">
                {{ one.name }}
              </button>
            }
          </div>
          <p class="small soft">{{ wayText() }}</p>
          <table class="plain">
            <thead>
              <tr>
                <th scope="col">line</th>
                <th scope="col">count</th>
                <th scope="col">in the band</th>
              </tr>
            </thead>
            <tbody>
              @for (one of lines(); track one.name) {
                <tr>
                  <td>{{ one.name }}</td>
                  <td class="figure">{{ one.count }}</td>
                  <td class="figure">{{ one.inBand }}</td>
                </tr>
              }
            </tbody>
          </table>
          <p class="small soft">
            Seconds to the middle of the band: depth ÷ sink rate, lines differ by a quarter. One more each
            cast until weed, then one less. Time in the band is of a {{ castText() }} cast and a line that
            stays straight. Most people do not let it sink long enough and move it too fast.
          </p>
        }
        <p class="small soft">
          {{
            read()
              ? 'As somebody read it that day.'
              : 'The profile is simulated from the surface; lower a thermometer and believe that.'
          }}
          Above the stopping temperature fishing for it stops.
        </p>
      </div>
    </div>
  `,
  styles: `
    .between {
      justify-content: space-between;
    }

    .beside {
      display: grid;
      grid-template-columns: minmax(0, 420px) minmax(0, 1fr);
      gap: 22px;
      align-items: start;
      margin-top: 8px;
    }

    svg {
      width: 100%;
      height: auto;
    }

    .water {
      fill: #4f979b;
    }

    .band {
      fill: var(--lime);
      opacity: 0.75;
    }

    .profile {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
    }

    .tick {
      stroke: var(--ink);
    }

    text {
      font: 12.5px var(--body);
      fill: var(--ink);
    }

    .figures {
      font-family: var(--figure);
      font-size: 12px;
    }

    .figures.on {
      fill: #fff;
      paint-order: stroke;
      stroke: rgb(12 60 68 / 80%);
      stroke-width: 3px;
    }

    p {
      margin: 0 0 6px;
    }

    @media (max-width: 700px) {
      .beside {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ComfortBandComponent {
  readonly profile = input.required<readonly DepthReading[]>();
  readonly units = input.required<UnitSystem>();
  /** Whether a thermometer was lowered. */
  readonly read = input(false);

  protected readonly kinds = SPECIES.map((id) => ({ id, name: SPECIES_NAMES[id] }));
  readonly species = model<Species>('brown-trout');
  /** Mean speed of the retrieve, m/s. */
  protected readonly way = signal<RetrieveWayId>('hand-twist');
  protected readonly ways = WAYS;
  /** What a retrieve is: length, speed and pause, and how it ends. */
  protected readonly wayText = computed(() => {
    const { pullM, pullMs, pauseS } = RETRIEVE_WAYS[this.way()];
    const units = this.units();
    return `${formatLength(pullM, units)} at ${formatSpeed(pullMs, units)}, then ${pauseS} s of waiting. Two rods out lift, and let it hang ${HANG_S} s: many take there.`;
  });
  protected readonly size = { width: WIDTH, height: HEIGHT, left: LEFT, top: TOP };
  protected readonly inner = WIDTH - LEFT - RIGHT;
  protected readonly tall = HEIGHT - 2 * TOP;
  private readonly found = computed(() => comfortBand(this.profile(), this.species()));
  private readonly deepest = computed(() => Math.max(1, ...this.profile().map(({ depthM }) => depthM)));
  private readonly warm = computed(() => {
    const all = this.profile().map(({ celsius }) => celsius);
    return { low: Math.min(0, ...all), high: Math.max(20, ...all) };
  });
  protected readonly bands = computed(() =>
    this.found().bands.map(({ fromM, toM }) => ({
      y: this.y(fromM),
      height: Math.max(2, this.y(toM) - this.y(fromM)),
      text: `${this.length(fromM)} to ${this.length(toM)}`,
    })),
  );
  protected readonly marks = computed(() => {
    const step = this.deepest() > 8 ? 2 : 1;
    return Array.from({ length: Math.floor(this.deepest() / step) + 1 }, (_, i) => ({
      y: this.y(i * step),
      text: this.length(i * step),
    }));
  });
  protected readonly line = computed(() =>
    this.profile()
      .map(({ depthM, celsius }) => `${this.x(celsius).toFixed(1)},${this.y(depthM).toFixed(1)}`)
      .join(' '),
  );
  protected readonly ends = computed(() => {
    const at = (depthM: number) => {
      const celsius = temperatureAt(this.profile(), depthM);
      return { x: Math.max(LEFT + 4, this.x(celsius) - 62), text: formatTemperature(celsius, this.units()) };
    };
    return { top: at(0), bottom: at(this.deepest()) };
  });
  /** Depth to reach: the middle of the highest band, else the nearest to it. */
  private readonly goal = computed(() => {
    const { bands, nearestM, stop } = this.found();
    if (stop) return null;
    return bands[0] ? (bands[0].fromM + bands[0].toM) / 2 : nearestM;
  });
  protected readonly advice = computed(() => {
    const { bands, nearestM, stop } = this.found();
    const name = SPECIES_NAMES[this.species()];
    if (stop) return `Too warm for ${name} at every depth: fishing for it stops.`;
    if (bands.length > 0)
      return `At ease from ${bands.map(({ fromM, toM }) => `${this.length(fromM)} to ${this.length(toM)}`).join(', and from ')}.`;
    const all = this.profile().map(({ celsius }) => celsius);
    if (nearestM === null) return 'No temperature is known.';
    return Math.max(...all) - Math.min(...all) < MIXED_C
      ? `Mixed: ${formatTemperature(all[0] ?? 0, this.units())} at every depth, not what ${name} like. Slow down, near the bottom first.`
      : `No depth is as ${name} like it; the nearest is ${this.length(nearestM)}. Slow down.`;
  });
  protected readonly lines = computed(() => {
    const goal = this.goal();
    return goal === null || goal < 0.3
      ? []
      : countdownTable(goal)
          .filter(({ seconds }) => seconds <= LONGEST_S)
          .slice(-LINES)
          .map(({ line, seconds, fromSeconds, toSeconds }) => ({
            name: LINE_NAMES[line],
            count: `${fromSeconds.toFixed(0)} to ${toSeconds.toFixed(0)} s`,
            inBand: this.inBand(line, seconds),
          }));
  });
  protected readonly castText = computed(() => this.length(CAST_M));
  protected readonly words = computed(
    () =>
      `Temperature by depth, ${this.ends().top.text} at the surface to ${this.ends().bottom.text} below. ${this.advice()}`,
  );

  protected length(metres: number): string {
    return formatLength(metres, this.units()).replace('.00 m', ' m');
  }

  /** How long a retrieve stays in the highest band, and whether it finds the bottom. */
  private inBand(line: LineKind, countS: number): string {
    const band = this.found().bands[0];
    if (!band) return '–';
    const run = retrieveRun({
      castM: CAST_M,
      countS,
      sinkMs: sinkRate(line),
      way: RETRIEVE_WAYS[this.way()],
      rodM: ROD_M,
      bottomM: this.deepest(),
    });
    return `${secondsIn(run, band).toFixed(0)} s${run.touched ? ', then the bottom' : ''}`;
  }

  private x(celsius: number): number {
    const { low, high } = this.warm();
    return LEFT + ((celsius - low) / (high - low)) * this.inner;
  }

  private y(depthM: number): number {
    return TOP + (depthM / this.deepest()) * this.tall;
  }
}

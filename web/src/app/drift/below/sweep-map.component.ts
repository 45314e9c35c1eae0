import {
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  type OnDestroy,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  formatLength,
  METRES_PER_FOOT,
  type SideDrift,
  type SweepCell,
  sweepCells,
  type SweepFound,
  formatMass,
} from '@doceo/core';
import type { ECharts } from 'echarts/core';
import { bufferTime, catchError, EMPTY, from, map, mergeMap, type Subscription } from 'rxjs';
import { sameJson } from '../../data/same-json';
import { SessionStore } from '../../data/session';
import { SlidersComponent } from '../../parts/fields/sliders.component';
import { ChartComponent } from '../../theme/chart.component';
import { BenchRunner } from '../../workers/bench-runner';
import type { Tried } from './side-store';
import { cellColour, columnEdges, MAP, MAP_ACROSS, MAP_GROUND, MAP_LEGEND, mapFrame } from './sweep-picture';

/** What the picture waits for, milliseconds. */
const SHOW_EVERY_MS = 120;

interface Cell extends SweepCell, SweepFound {
  column: number;
  row: number;
}

/** The map: float distance along, added shot up; how much of a drift the fly is in the zone and off the bottom. */
@Component({
  selector: 'doceo-sweep-map',
  imports: [ChartComponent, SlidersComponent],
  template: `
    <div class="row">
      <h2>Where to set the float, and how much shot</h2>
      <span class="spread"></span>
      @if (running()) {
        <progress [value]="cells().length" [max]="total" aria-label="Map"></progress>
        <button type="button" class="btn small" (click)="stop()">Stop</button>
      } @else {
        <button type="button" class="btn small" (click)="start()">
          {{ cells().length === 0 ? 'Work out the map' : 'Again' }}
        </button>
      }
    </div>
    @if (cells().length === 0 && !running()) {
      <p class="soft">
        {{ total }} drifts, each with another place of the float and another shot: where the fly is longest in
        the zone shows as a map.
      </p>
    }
    <div class="map" [class.waits]="cells().length === 0 && !running()">
      <canvas
        #ground
        class="ground"
        aria-hidden="true"
        [width]="across"
        [height]="weights"
        [style]="place"
      ></canvas>
      <doceo-chart [options]="options()" [words]="words()" [height]="280" (made)="watch($event)" />
    </div>
    <doceo-sliders [sliders]="sliders()" (slid)="slide($event)" />
    @if (cells().length > 0) {
      <p class="small soft legend">
        @for (one of legend; track one.text) {
          <span><i [style.background]="one.colour"></i>{{ one.text }}</span>
        }
        <span>White ring: your rig. Choose a place on the map, or slide, to see it.</span>
        @if (stale()) {
          <b>The water has changed since: work it out again.</b>
        }
      </p>
    } @else {
      <p class="small soft">
        {{ total }} drifts, in the background: float distance by added shot, and where the rules of 1.5 and 2
        depths hold in this water.
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .map {
      position: relative;
      cursor: crosshair;
    }
    /* A row of pixels for each weight, stretched over the chart between its axes. */
    .ground {
      position: absolute;
      image-rendering: pixelated;
    }
    .legend,
    .legend span {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 6px;
    }
    .legend {
      column-gap: 16px;
    }
    .legend i {
      width: 34px;
      height: 14px;
    }
    .map.waits {
      display: none;
    }
    progress {
      accent-color: var(--river);
    }
  `,
})
export class SweepMapComponent implements OnDestroy {
  private readonly runner = inject(BenchRunner);
  private readonly session = inject(SessionStore);
  readonly drift = input.required<SideDrift>();
  readonly furthestM = input.required<number>();
  readonly tried = input.required<Tried | null>();
  readonly chosen = output<Tried>();

  private readonly ground = viewChild.required<ElementRef<HTMLCanvasElement>>('ground');
  protected readonly across = MAP_ACROSS;
  protected readonly weights = MAP.weights;
  protected readonly place = MAP_GROUND;
  protected readonly total = MAP.distances * MAP.weights;
  protected readonly cells = signal<Cell[]>([]);
  protected readonly running = signal(false);
  protected readonly legend = MAP_LEGEND;
  protected readonly sliders = computed(() => {
    const { fromM, toM } = this.range();
    const { leaderM, addedKg } = this.at();
    return [
      {
        ...{ name: 'leaderM' as const, text: 'Float above the point fly', at: leaderM },
        ...{ min: fromM, max: toM, step: 0.01, value: formatLength(leaderM, this.session.units()) },
      },
      {
        ...{ name: 'addedKg' as const, text: 'Shot added', at: addedKg, min: 0, max: MAP.mostKg },
        ...{ step: MAP.mostKg / 60, value: formatMass(addedKg, this.session.units()) },
      },
    ];
  });
  private readonly of = signal<SideDrift | null>(null);
  private work: Subscription | null = null;
  private chart: ECharts | null = null;

  private readonly range = computed(() => {
    const { depthM } = this.of() ?? this.drift();
    const toM = Math.max(0.8 * depthM, Math.min(this.furthestM(), 2.4 * depthM));
    return { depthM, fromM: 0.5 * depthM, toM, distances: MAP.distances };
  });
  /** What stands around and on the cells: drawn anew only when it is another, since that holds the page up. */
  private readonly frame = computed(
    () => ({
      ...this.range(),
      ownM: this.drift().leaderM,
      tried: this.tried(),
      metric: this.session.units() === 'metric',
    }),
    { equal: sameJson },
  );
  protected readonly options = computed(() => mapFrame(this.frame()));
  protected readonly stale = computed(() => {
    const of = this.of();
    return of !== null && !this.running() && !sameJson(of, this.drift());
  });
  protected readonly words = computed(() => {
    if (this.cells().length === 0) return 'Map of float distance by added shot, not worked out yet';
    const best = this.cells().reduce((a, b) => (b.clearS > a.clearS ? b : a));
    return `Map of ${this.cells().length} drifts; the longest in the zone with the float ${formatLength(best.leaderM, this.session.units())} above the fly and ${formatMass(best.addedKg, this.session.units())} of shot added: ${best.clearS.toFixed(1)} seconds.`;
  });

  /** Whole pixels, so that no ground shows between two columns. */
  private readonly edges = computed(() => {
    const edges = columnEdges(this.range());
    const [first, last] = [edges[0]!, edges.at(-1)!];
    return edges.map((at) => Math.round(((at - first) / (last - first)) * MAP_ACROSS));
  });
  private drawn = 0;

  constructor() {
    effect(() => this.paint(this.cells()));
  }

  /** Colours what has come since the last time; a shorter list is a new map. */
  private paint(cells: readonly Cell[]): void {
    const pen = cells.length !== this.drawn && this.ground().nativeElement.getContext('2d');
    if (!pen) return;
    if (cells.length < this.drawn) {
      pen.clearRect(0, 0, MAP_ACROSS, MAP.weights);
      this.drawn = 0;
    }
    const { durationS } = this.of() ?? this.drift();
    const edges = this.edges();
    for (const cell of cells.slice(this.drawn)) {
      pen.fillStyle = cellColour(cell, durationS);
      const [left, right] = [edges[cell.column]!, edges[cell.column + 1]!];
      pen.fillRect(left, MAP.weights - 1 - cell.row, right - left, 1);
    }
    this.drawn = cells.length;
  }

  protected start(): void {
    this.stop();
    const drift = this.drift();
    this.of.set(drift);
    this.cells.set([]);
    this.running.set(true);
    const all = sweepCells(this.range(), MAP);
    // One at a time to a worker: between two it waits for the page, which so has its turn on a small machine too.
    this.work = from(all)
      .pipe(
        mergeMap(
          (cell) =>
            this.runner.runOfMany('sweep', drift, cell).pipe(
              map((found) => ({ ...cell, ...found })),
              catchError(() => EMPTY),
            ),
          2,
        ),
        bufferTime(SHOW_EVERY_MS),
      )
      .subscribe({
        next: (found) => {
          if (found.length > 0) this.cells.update((cells) => [...cells, ...found]);
        },
        complete: () => this.running.set(false),
      });
  }

  private at(): Tried {
    return this.tried() ?? { leaderM: this.drift().leaderM, addedKg: 0 };
  }

  protected slide({ name, value }: { name: keyof Tried; value: number }): void {
    this.chosen.emit({ ...this.at(), [name]: value });
  }

  protected stop(): void {
    this.work?.unsubscribe();
    this.running.set(false);
  }

  ngOnDestroy(): void {
    this.stop();
  }

  protected watch(chart: ECharts): void {
    this.chart = chart;
    chart.getZr().on('click', ({ offsetX, offsetY }) => {
      const at = this.chart?.convertFromPixel({ gridIndex: 0 }, [offsetX, offsetY]);
      if (!at) return;
      const { fromM, toM } = this.range();
      const leaderM = this.metric() ? at[0]! : at[0]! * METRES_PER_FOOT;
      if (leaderM < fromM || leaderM > toM || at[1]! < -0.02) return;
      this.chosen.emit({ leaderM, addedKg: Math.max(0, Math.min(MAP.mostKg, at[1]! / 1000)) });
    });
  }

  private metric(): boolean {
    return this.session.units() === 'metric';
  }
}

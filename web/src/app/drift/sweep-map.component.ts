import { Component, computed, inject, input, type OnDestroy, output, signal } from '@angular/core';
import { formatLength, type SideDrift, type SweepCell, sweepCells, type SweepFound } from '@doceo/core';
import type { CustomSeriesRenderItem } from 'echarts';
import type { ECharts, EChartsCoreOption } from 'echarts/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { bufferTime, catchError, EMPTY, from, map, mergeMap, type Subscription } from 'rxjs';
import { SessionStore } from '../data/session';
import { CHART } from '../theme/chart-theme';
import echarts from '../theme/echarts-core';
import { BenchRunner } from '../workers/bench-runner';
import type { Tried } from './side-store';

const DISTANCES = 20;
const WEIGHTS = 20;
const MOST_KG = 0.0006;
/** Cells handed to a worker at once, and what the picture waits for, milliseconds. */
const CHUNK = 4;
const SHOW_EVERY_MS = 120;
const FEET_PER_M = 3.28084;

interface Cell extends SweepCell, SweepFound {
  column: number;
  row: number;
}

/** The map: float distance along, added shot up; how much of a drift the fly is in the zone and off the bottom. */
@Component({
  selector: 'doceo-sweep-map',
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
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
    <div
      echarts
      [options]="options()"
      theme="doceo"
      class="chart"
      role="img"
      [attr.aria-label]="words()"
      (chartInit)="watch($event)"
    ></div>
    @if (cells().length > 0) {
      <p class="small soft">
        Darker: longer in the zone and off the bottom. Brown: drags on the bottom. Orange: the float goes
        under. The dotted lines are the schools’ rules, the ring is your rig. Choose a place on the map to see
        it.
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
    .chart {
      width: 100%;
      height: 280px;
      cursor: crosshair;
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

  protected readonly total = DISTANCES * WEIGHTS;
  protected readonly cells = signal<Cell[]>([]);
  protected readonly running = signal(false);
  private readonly of = signal<SideDrift | null>(null);
  private work: Subscription | null = null;
  private chart: ECharts | null = null;

  private readonly range = computed(() => {
    const { depthM } = this.of() ?? this.drift();
    return { fromM: 0.5 * depthM, toM: Math.max(0.8 * depthM, Math.min(this.furthestM(), 2.4 * depthM)) };
  });
  protected readonly stale = computed(() => {
    const of = this.of();
    return of !== null && !this.running() && JSON.stringify(of) !== JSON.stringify(this.drift());
  });
  protected readonly words = computed(() => {
    if (this.cells().length === 0) return 'Map of float distance by added shot, not worked out yet';
    const best = this.cells().reduce((a, b) => (b.clearS > a.clearS ? b : a));
    return `Map of ${this.cells().length} drifts; the longest in the zone with the float ${formatLength(best.leaderM, this.session.units())} above the fly and ${(best.addedKg * 1000).toFixed(2)} g of shot added: ${best.clearS.toFixed(1)} seconds.`;
  });

  protected start(): void {
    this.stop();
    const drift = this.drift();
    this.of.set(drift);
    this.cells.set([]);
    this.running.set(true);
    const all = sweepCells({ ...this.range(), distances: DISTANCES }, { mostKg: MOST_KG, weights: WEIGHTS });
    const chunks = Array.from({ length: Math.ceil(all.length / CHUNK) }, (_, i) =>
      all.slice(i * CHUNK, (i + 1) * CHUNK),
    );
    this.work = from(chunks)
      .pipe(
        mergeMap(
          (cells) =>
            this.runner.runOfMany('sweep', drift, cells).pipe(
              map((found) => cells.map((cell, i) => ({ ...cell, ...found[i]! }))),
              catchError(() => EMPTY),
            ),
          2,
        ),
        bufferTime(SHOW_EVERY_MS),
      )
      .subscribe({
        next: (found) => {
          if (found.length > 0) this.cells.update((cells) => [...cells, ...found.flat()]);
        },
        complete: () => this.running.set(false),
      });
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
      const leaderM = this.metric() ? at[0]! : at[0]! / FEET_PER_M;
      if (leaderM < fromM || leaderM > toM || at[1]! < -0.02) return;
      this.chosen.emit({ leaderM, addedKg: Math.max(0, Math.min(MOST_KG, at[1]! / 1000)) });
    });
  }

  private metric(): boolean {
    return this.session.units() === 'metric';
  }

  protected readonly options = computed<EChartsCoreOption>(() => {
    const { fromM, toM } = this.range();
    const of = this.of() ?? this.drift();
    const unit = this.metric() ? 1 : FEET_PER_M;
    const stepX = ((toM - fromM) / (DISTANCES - 1)) * unit;
    const stepY = (MOST_KG / (WEIGHTS - 1)) * 1000;
    const own = { x: this.drift().leaderM * unit, y: 0 };
    const tried = this.tried();
    const cells = this.cells();
    const draw: CustomSeriesRenderItem = ({ dataIndex }, api) => {
      const [x, y] = [api.value(0) as number, api.value(1) as number];
      const [left, top] = api.coord([x - stepX / 2, y + stepY / 2]) as [number, number];
      const [right, bottom] = api.coord([x + stepX / 2, y - stepY / 2]) as [number, number];
      return {
        type: 'rect',
        shape: { x: left, y: top, width: right - left + 0.6, height: bottom - top + 0.6 },
        style: { fill: colourOf(cells[dataIndex]!, of.durationS) },
      };
    };
    const rule = (factor: number, text: string) => ({
      xAxis: factor * of.depthM * unit,
      label: { formatter: text, position: 'end', color: CHART.ink, fontFamily: CHART.body, fontSize: 11 },
    });
    return {
      animation: false,
      grid: { left: 52, right: 18, top: 26, bottom: 40 },
      xAxis: {
        type: 'value',
        min: fromM * unit - stepX / 2,
        max: toM * unit + stepX / 2,
        name: this.metric() ? 'float above the point fly, m' : 'float above the point fly, ft',
        nameLocation: 'middle',
        nameGap: 24,
        splitLine: { show: false },
        axisLabel: { showMinLabel: false, showMaxLabel: false },
      },
      yAxis: {
        type: 'value',
        min: -stepY / 2,
        max: MOST_KG * 1000 + stepY / 2,
        name: 'shot added, g',
        nameLocation: 'middle',
        nameGap: 36,
        splitLine: { show: false },
        axisLabel: {
          showMinLabel: false,
          showMaxLabel: false,
          formatter: (value: number) => value.toFixed(1),
        },
      },
      series: [
        {
          type: 'custom',
          renderItem: draw,
          data: cells.map(({ leaderM, addedKg }) => [leaderM * unit, addedKg * 1000]),
          encode: { x: 0, y: 1 },
          silent: true,
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: CHART.ink, type: 'dotted', width: 1.6 },
            data: [rule(1.5, '1.5 × depth'), rule(2, '2 × depth')].filter(({ xAxis }) => xAxis <= toM * unit),
          },
        },
        point([own.x, own.y], '#ffffff', CHART.ink),
        ...(tried ? [point([tried.leaderM * unit, tried.addedKg * 1000], CHART.accent, CHART.ink)] : []),
      ],
    };
  });
}

/** A ring on the map. */
function point(at: [number, number], fill: string, stroke: string): object {
  return {
    type: 'custom',
    silent: true,
    z: 5,
    data: [at],
    renderItem: ((_, api) => {
      const [cx, cy] = api.coord([api.value(0), api.value(1)]) as [number, number];
      return { type: 'circle', shape: { cx, cy, r: 7 }, style: { fill, stroke, lineWidth: 2.5 } };
    }) satisfies CustomSeriesRenderItem,
  };
}

/** How long a drift is in the zone and off the bottom; browner the more of it drags. */
function colourOf({ clearS, contactShare, goesUnder }: SweepFound, durationS: number): string {
  if (goesUnder) return '#f0a37e';
  const share = Math.min(1, clearS / durationS);
  const mix = (pale: number, deep: number): number => Math.round(pale + (deep - pale) * share);
  const water = [mix(232, 18), mix(240, 92), mix(234, 104)];
  const drags = Math.min(1, Math.max(0, contactShare - 0.25) / 0.5);
  const bed = [176, 160, 122];
  return `rgb(${water.map((one, i) => Math.round(one + (bed[i]! - one) * drags)).join(',')})`;
}

import { Component, computed, input } from '@angular/core';
import type { EChartsCoreOption } from 'echarts/core';
import { ChartComponent } from '../../theme/chart.component';

/** Room at either end of everything that lies along the seconds of a drift, CSS pixels: one time stands in one column. */
const MARGIN = 8;
const TOP = 16;
const BOTTOM = 6;
const PAPER = '#f3efe4';

/** An upright axis with its figures, with their unit, within the chart above what is drawn: the seconds keep their width. */
export const withinAxis = (unit: string, label: object = {}) => ({
  type: 'value',
  min: 0,
  z: 3,
  axisTick: { show: false },
  axisLabel: {
    inside: true,
    margin: 0,
    verticalAlign: 'bottom',
    padding: [0, 4, 3, 4],
    textBorderColor: PAPER,
    textBorderWidth: 3,
    showMinLabel: false,
    formatter: (value: number) => `${value}${unit}`,
    ...label,
  },
});

/** What happens over a drift, below the time line whose figures it shares; the time shown runs across. */
@Component({
  selector: 'doceo-time-chart',
  imports: [ChartComponent],
  template: `
    <doceo-chart [options]="whole()" [words]="words()" [height]="height()" />
    <i class="now" [style.left]="left()"></i>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    .now {
      position: absolute;
      top: ${TOP}px;
      bottom: ${BOTTOM}px;
      border-left: 2px solid var(--ink);
      pointer-events: none;
    }
  `,
})
export class TimeChartComponent {
  /** Upright axes, lines and words of the chart; the seconds are put in here. */
  readonly options = input.required<EChartsCoreOption>();
  readonly words = input.required<string>();
  readonly height = input.required<number>();
  readonly atS = input.required<number>();
  readonly endS = input.required<number>();
  protected readonly left = computed(
    () => `calc(${MARGIN}px + (100% - ${2 * MARGIN}px) * ${this.atS() / this.endS()})`,
  );
  protected readonly whole = computed<EChartsCoreOption>(() => ({
    animation: false,
    grid: { left: MARGIN, right: MARGIN, top: TOP, bottom: BOTTOM },
    xAxis: {
      type: 'value',
      min: 0,
      max: this.endS(),
      splitLine: { show: false },
      axisLabel: { show: false },
      axisLine: { show: true },
    },
    ...this.options(),
  }));
}

import { Component, computed, input, inject } from '@angular/core';
import { type FaultRate } from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CHART } from '../../theme/chart-theme';
import { ChartComponent } from '../../theme/chart.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

const TREND_MARKS = { falling: ' ↓', rising: ' ↑', unclear: '' } as const;
const MAX = 8;

/** What goes wrong most, of 100 attempts, each bar with its 90 % interval. */
@Component({
  selector: 'doceo-pareto',
  imports: [ChartComponent],
  template: `<doceo-chart [options]="options()" [words]="words()" [height]="34 + shown().length * 27" />`,
})
export class ParetoComponent {
  private readonly teaching = inject(TeachingStore);
  readonly rates = input.required<readonly FaultRate[]>();
  readonly color = input<string>(CHART.strands.casting);

  protected readonly shown = computed(() => this.rates().slice(0, MAX));
  protected readonly words = computed(
    () =>
      `Faults of 100 attempts: ${this.shown()
        .map((rate) => `${this.name(rate)} ${(rate.rate * 100).toFixed(0)}`)
        .join(', ')}`,
  );
  protected readonly options = computed<EChartsCoreOption>(() => {
    const rates = this.shown();
    const intervals = rates.map((rate, index) => [index, rate.low * 100, rate.high * 100]);
    return {
      animation: false,
      grid: { left: 168, right: 58, top: 4, bottom: 26 },
      tooltip: {
        trigger: 'axis',
        axisPointer: { type: 'none' },
        formatter: (params: { dataIndex: number }[]) => this.tooltip(rates[params[0]?.dataIndex ?? 0]),
      },
      xAxis: { type: 'value', min: 0, axisLabel: { formatter: '{value}' } },
      yAxis: {
        type: 'category',
        inverse: true,
        data: rates.map((rate) => this.name(rate) + TREND_MARKS[rate.trend]),
        axisLabel: { width: 158, overflow: 'truncate' },
      },
      series: [
        {
          type: 'bar',
          data: rates.map((rate) => rate.rate * 100),
          barWidth: 14,
          itemStyle: { color: this.color(), decal: { symbol: 'none' } },
          label: {
            show: true,
            position: 'insideLeft',
            color: '#fff',
            fontFamily: CHART.figure,
            fontSize: 11,
            formatter: ({ value }: { value: number }) => (value >= 6 ? value.toFixed(0) : ''),
          },
        },
        {
          type: 'custom',
          data: intervals,
          encode: { y: 0, x: [1, 2] },
          z: 5,
          renderItem: (
            _params: unknown,
            at: { value: (i: number) => number; coord: (point: number[]) => number[] },
          ) => {
            const [left, y] = at.coord([at.value(1), at.value(0)]) as [number, number];
            const [right] = at.coord([at.value(2), at.value(0)]) as [number];
            const stroke = { stroke: CHART.ink, lineWidth: 1.6 };
            const line = (x1: number, y1: number, x2: number, y2: number) => ({
              type: 'line',
              shape: { x1, y1, x2, y2 },
              style: stroke,
            });
            return {
              type: 'group',
              children: [
                line(left, y, right, y),
                line(left, y - 4, left, y + 4),
                line(right, y - 4, right, y + 4),
              ],
            };
          },
        },
      ],
    };
  });

  private name({ faultId }: FaultRate): string {
    return this.teaching.curriculum().faults.get(faultId).short;
  }

  private tooltip(rate: FaultRate | undefined): string {
    const fault = this.teaching.curriculum().faults.find(rate?.faultId ?? '');
    if (!rate || !fault) return '';
    return `<b>${fault.short}</b>: ${rate.count} times, ${(rate.low * 100).toFixed(0)} to ${(rate.high * 100).toFixed(0)} of 100<br>cause: ${fault.cause}<br>cure: ${fault.cure}`;
  }
}

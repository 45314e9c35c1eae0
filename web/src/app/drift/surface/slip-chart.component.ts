import { Component, computed, inject, input } from '@angular/core';
import { DRAG_MS, type DriftRun, METRES_PER_INCH } from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SessionStore } from '../../data/session';
import { CHART } from '../../theme/chart-theme';
import { TimeChartComponent, withinAxis } from './time-chart.component';

/** The fly against its own water, second by second, with the limit beyond which it is drag. */
@Component({
  selector: 'doceo-slip-chart',
  imports: [TimeChartComponent],
  template: `<doceo-time-chart
    [options]="options()"
    [words]="words()"
    [height]="112"
    [atS]="atS()"
    [endS]="endS()"
  />`,
})
export class SlipChartComponent {
  private readonly session = inject(SessionStore);
  readonly run = input.required<DriftRun>();
  readonly other = input<DriftRun | null>(null);
  readonly atS = input.required<number>();
  readonly endS = input.required<number>();

  protected readonly words = computed(() => {
    const { onsetS, cleanM } = this.run();
    return onsetS === null
      ? 'The fly keeps pace with its water to the end.'
      : `The fly leaves its water after ${onsetS.toFixed(1)} seconds and ${cleanM.toFixed(1)} metres.`;
  });
  protected readonly options = computed<EChartsCoreOption>(() => {
    const metric = this.session.units() === 'metric';
    const value = (ms: number): number => (metric ? ms * 100 : ms / METRES_PER_INCH);
    const limit = value(DRAG_MS);
    const line = ({ frames }: DriftRun, color: string, rest: object = {}) => ({
      type: 'line',
      data: frames.slice(1).map(({ atS, slipMs }) => [atS, value(slipMs)]),
      showSymbol: false,
      lineStyle: { color, width: 2.6 },
      ...rest,
    });
    const other = this.other();
    const top = Math.max(limit * 4, ...this.run().frames.map(({ slipMs }) => value(slipMs)));
    return {
      tooltip: {
        trigger: 'axis',
        formatter: (at: { data: [number, number] }[]) =>
          `${at[0]?.data[0].toFixed(1)} s: ${at[0]?.data[1].toFixed(0)} ${metric ? 'cm/s' : 'in/s'} against its water`,
      },
      yAxis: {
        ...withinAxis(metric ? ' cm/s' : ' in/s', { showMaxLabel: false }),
        max: Math.ceil(top * 10) / 10,
        splitNumber: 2,
        splitLine: { showMaxLine: false },
      },
      series: [
        ...(other
          ? [line(other, CHART.soft, { lineStyle: { color: CHART.soft, width: 2, type: 'dashed' } })]
          : []),
        line(this.run(), '#12505b', {
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: CHART.accent, type: 'dashed', width: 1.6 },
            label: { formatter: 'drag', position: 'insideEndTop', color: '#b8341b', fontFamily: CHART.body },
            data: [{ yAxis: limit }],
          },
        }),
      ],
    };
  });
}

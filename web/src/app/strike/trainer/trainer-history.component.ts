import { Component, computed, input } from '@angular/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CHART } from '../../theme/chart-theme';
import { ChartComponent } from '../../theme/chart.component';
import type { TrainerSession } from './trainer-sessions';

/** Runs one after the other: how well takes were told from the rest, and how quickly. */
@Component({
  selector: 'doceo-trainer-history',
  imports: [ChartComponent],
  template: `<doceo-chart [options]="options()" [words]="words()" [height]="210" />`,
})
export class TrainerHistoryComponent {
  readonly sessions = input.required<readonly TrainerSession[]>();

  protected readonly words = computed(() => {
    const all = this.sessions();
    const [first, last] = [all[0], all.at(-1)];
    return first && last
      ? `${all.length} runs: score from ${first.dPrime.toFixed(1)} to ${last.dPrime.toFixed(1)}`
      : 'no run yet';
  });
  protected readonly options = computed<EChartsCoreOption>(() => {
    const all = this.sessions();
    const axis = (index: number) => ({
      type: 'category',
      axisLine: { onZero: false },
      gridIndex: index,
      data: all.map((_, i) => `${i + 1}`),
      axisLabel: { show: index === 1, fontFamily: CHART.figure },
    });
    // Worse than guessing is below nought and is drawn there.
    const lowest = Math.min(0, ...all.map(({ dPrime }) => Math.floor(dPrime)));
    const scale = (index: number, name: string, min: number) => ({
      type: 'value',
      gridIndex: index,
      name,
      nameLocation: 'middle',
      nameGap: 34,
      splitNumber: 2,
      min,
    });
    const series = (index: number, data: (number | null)[], color: string) => ({
      type: 'line',
      xAxisIndex: index,
      yAxisIndex: index,
      data,
      symbolSize: 7,
      symbol: 'circle',
      lineStyle: { color, width: 2.4 },
      itemStyle: { color },
    });
    return {
      animation: false,
      grid: [
        { left: 48, right: 12, top: 12, height: 74 },
        { left: 48, right: 12, top: 106, height: 74 },
      ],
      tooltip: { trigger: 'axis' },
      xAxis: [axis(0), axis(1)],
      yAxis: [scale(0, 'score', lowest), scale(1, 'seconds', 0)],
      series: [
        series(
          0,
          all.map(({ dPrime }) => Number(dPrime.toFixed(2))),
          CHART.strands['hook-setting'],
        ),
        series(
          1,
          all.map(({ medianMs }) => (medianMs === null ? null : Number((medianMs / 1000).toFixed(2)))),
          CHART.accent,
        ),
      ],
    };
  });
}

import { Component, computed, inject, input } from '@angular/core';
import { METRES_PER_FOOT, type SideDrift, type SideRun } from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SessionStore } from '../../data/session';
import { CHART } from '../../theme/chart-theme';
import { TimeChartComponent, withinAxis } from '../surface/time-chart.component';

/** Depth of the point fly, and how far it trails, second by second; the zone of the fish shaded. */
@Component({
  selector: 'doceo-depth-chart',
  imports: [TimeChartComponent],
  template: `<doceo-time-chart
    [options]="options()"
    words="Depth of the point fly over time"
    [height]="130"
    [atS]="atS()"
    [endS]="drift().durationS"
  />`,
})
export class DepthChartComponent {
  private readonly session = inject(SessionStore);
  readonly drift = input.required<SideDrift>();
  readonly run = input.required<SideRun>();
  readonly atS = input.required<number>();

  protected readonly options = computed<EChartsCoreOption>(() => {
    const { depthM, zoneM } = this.drift();
    const metric = this.session.units() === 'metric';
    const unit = metric ? 1 : METRES_PER_FOOT;
    const points = this.run().frames.map(({ atS, xs, ys }) => ({
      atS,
      deep: Math.max(0, -ys.at(-1)!) / unit,
      trails: (Math.atan2(xs[0]! - xs.at(-1)!, Math.max(0.01, -ys.at(-1)!)) * 180) / Math.PI,
    }));
    return {
      tooltip: { trigger: 'axis' },
      yAxis: [
        {
          ...withinAxis(metric ? ' m deep' : ' ft deep'),
          inverse: true,
          max: Number((depthM / unit).toFixed(2)),
          splitNumber: 2,
        },
        {
          ...withinAxis('° trailing', { color: CHART.strands.safety, showMaxLabel: false }),
          max: 90,
          interval: 45,
          splitLine: { show: false },
        },
      ],
      series: [
        {
          name: metric ? 'deep, m' : 'deep, ft',
          type: 'line',
          showSymbol: false,
          data: points.map(({ atS, deep }) => [atS, Number(deep.toFixed(2))]),
          lineStyle: { color: '#12505b', width: 2.6 },
          markArea: {
            silent: true,
            itemStyle: { color: 'rgba(29, 114, 128, 0.16)' },
            data: [[{ yAxis: Math.max(0, depthM - zoneM) / unit }, { yAxis: depthM / unit }]],
          },
        },
        {
          name: 'trails, °',
          type: 'line',
          yAxisIndex: 1,
          showSymbol: false,
          data: points.slice(1).map(({ atS, trails }) => [atS, Number(trails.toFixed(0))]),
          lineStyle: { color: CHART.accent, width: 1.6, type: 'dashed' },
        },
      ],
    };
  });
}

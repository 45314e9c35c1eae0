import { Component, computed, inject, input } from '@angular/core';
import { METRES_PER_FOOT, type SideDrift, type SideRun } from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SessionStore } from '../data/session';
import { CHART } from '../theme/chart-theme';
import { ChartComponent } from '../theme/chart.component';

const LEFT = 44;
const RIGHT = 44;

/** Depth of the point fly, and how far it trails, second by second; the zone of the fish shaded. */
@Component({
  selector: 'doceo-depth-chart',
  imports: [ChartComponent],
  template: `<doceo-chart [options]="options()" words="Depth of the point fly over time" [height]="150" />`,
})
export class DepthChartComponent {
  private readonly session = inject(SessionStore);
  readonly drift = input.required<SideDrift>();
  readonly run = input.required<SideRun>();

  protected readonly options = computed<EChartsCoreOption>(() => {
    const { depthM, zoneM, durationS } = this.drift();
    const metric = this.session.units() === 'metric';
    const unit = metric ? 1 : METRES_PER_FOOT;
    const points = this.run().frames.map(({ atS, xs, ys }) => ({
      atS,
      deep: Math.max(0, -ys.at(-1)!) / unit,
      trails: (Math.atan2(xs[0]! - xs.at(-1)!, Math.max(0.01, -ys.at(-1)!)) * 180) / Math.PI,
    }));
    return {
      animation: false,
      grid: { left: LEFT, right: RIGHT, top: 10, bottom: 22 },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'value',
        min: 0,
        max: durationS,
        splitLine: { show: false },
        axisLabel: { formatter: '{value} s', hideOverlap: true },
      },
      yAxis: [
        {
          type: 'value',
          inverse: true,
          min: 0,
          max: Number((depthM / unit).toFixed(2)),
          name: metric ? 'm deep' : 'ft deep',
          nameLocation: 'middle',
          nameGap: 32,
          splitNumber: 2,
        },
        {
          type: 'value',
          min: 0,
          max: 90,
          name: 'trails, °',
          nameLocation: 'middle',
          nameGap: 30,
          splitLine: { show: false },
          interval: 45,
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

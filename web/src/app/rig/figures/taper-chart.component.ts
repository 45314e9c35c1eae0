import { Component, computed, input } from '@angular/core';
import { METRES_PER_FOOT, METRES_PER_INCH, type Rig, spans, taperOf, type UnitSystem } from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { sameJson } from '../../data/same-json';
import { CHART } from '../../theme/chart-theme';
import { ChartComponent } from '../../theme/chart.component';

/** Diameter and bending stiffness along the leader, with its hinges marked: meant ones in ink, mistakes in orange. */
@Component({
  selector: 'doceo-taper-chart',
  imports: [ChartComponent],
  template: `<h3>Taper</h3>
    <doceo-chart [options]="options()" [words]="words()" [height]="150" />`,
  styles: `
    :host {
      display: block;
      margin-top: 14px;
    }
  `,
})
export class TaperChartComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();

  /** The same object as long as nothing of the taper changed, so that a drag of an indicator draws no chart. */
  private readonly taper = computed(() => taperOf(this.rig()), { equal: sameJson });
  protected readonly words = computed(
    () =>
      `Taper from fly line to fly: ${this.taper()
        .steps.map(({ sectionId, stiffnessRatio, hinge }) => {
          const name =
            spans(this.rig()).find(({ section }) => section.id === sectionId)?.section.name ?? sectionId;
          return `into ${name} stiffness falls ${stiffnessRatio.toFixed(1)} times${hinge === 'none' ? '' : ', a hinge'}`;
        })
        .join('; ')}`,
  );
  protected readonly options = computed<EChartsCoreOption>(() => {
    const metric = this.system() === 'metric';
    const { profile, steps } = this.taper();
    const lengthM = profile[0]?.aboveFlyM ?? 0;
    const along = (aboveFlyM: number): number => (lengthM - aboveFlyM) / (metric ? 1 : METRES_PER_FOOT);
    const wide = (diameterM: number): number => (metric ? diameterM * 1000 : diameterM / METRES_PER_INCH);
    const stiffest = Math.max(...profile.map(({ stiffness }) => stiffness));
    const name = { nameTextStyle: { color: CHART.soft, fontSize: 11 }, nameGap: 8 };
    return {
      animation: false,
      grid: { left: 46, right: 52, top: 26, bottom: 36 },
      tooltip: { trigger: 'axis', valueFormatter: (value: unknown) => Number(value).toPrecision(2) },
      xAxis: {
        type: 'value',
        min: 0,
        max: along(0),
        name: metric ? 'm from the line' : 'ft from the line',
        nameLocation: 'middle',
        nameTextStyle: { color: CHART.soft, fontSize: 11 },
        nameGap: 22,
        axisLabel: { formatter: (value: number) => value.toFixed(1), hideOverlap: true, showMaxLabel: false },
      },
      yAxis: [
        { type: 'value', min: 0, name: metric ? 'diameter, mm' : 'diameter, in', splitNumber: 3, ...name },
        {
          type: 'log',
          name: 'stiffness, % of butt',
          splitLine: { show: false },
          axisLabel: { formatter: (value: number) => `${value >= 1 ? value : value.toPrecision(1)}` },
          ...name,
        },
      ],
      series: [
        {
          name: 'diameter',
          type: 'line',
          showSymbol: false,
          lineStyle: { color: CHART.strands.casting, width: 2.5 },
          areaStyle: { color: CHART.strands.casting, opacity: 0.14 },
          itemStyle: { color: CHART.strands.casting },
          data: profile.map(({ aboveFlyM, diameterM }) => [along(aboveFlyM), wide(diameterM)]),
          markLine: {
            symbol: 'none',
            silent: true,
            label: { formatter: 'hinge', color: CHART.ink, fontSize: 11 },
            data: steps
              .filter(({ hinge }) => hinge !== 'none')
              .map(({ aboveFlyM, hinge }) => ({
                xAxis: along(aboveFlyM),
                lineStyle: { color: hinge === 'meant' ? CHART.ink : CHART.accent, width: 2 },
              })),
          },
        },
        {
          name: 'stiffness',
          type: 'line',
          yAxisIndex: 1,
          showSymbol: false,
          lineStyle: { color: CHART.strands.rigging, width: 2, type: 'dashed' },
          itemStyle: { color: CHART.strands.rigging },
          data: profile.map(({ aboveFlyM, stiffness }) => [along(aboveFlyM), (100 * stiffness) / stiffest]),
        },
      ],
    };
  });
}

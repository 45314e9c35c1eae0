import { Component, computed, input } from '@angular/core';
import {
  METRES_PER_FOOT,
  type ConditionHour,
  formatLength,
  formatTemperature,
  formatWind,
  fromCelsius,
  HOUR_MS,
  type Stretch,
  type UnitSystem,
} from '@doceo/core';
import type { EChartsCoreOption } from 'echarts/core';
import { timeText } from '../../data/lesson/lesson-texts';
import { CHART } from '../../theme/chart-theme';
import { ChartComponent } from '../../theme/chart.component';

const RIVER = '#1d7280';
const LESSON = 'rgba(195, 209, 44, 0.35)';
const NIGHT = 'rgba(21, 38, 31, 0.1)';
const MPH_PER_MS = 2.236936;
const MM_PER_INCH = 25.4;

/** The day at the water, hour by hour: temperatures, wind, rain with the river's level; the lesson's hours marked. */
@Component({
  selector: 'doceo-conditions-chart',
  imports: [ChartComponent],
  template: `<doceo-chart [options]="options()" [words]="words()" [height]="300" />`,
})
export class ConditionsChartComponent {
  readonly hours = input.required<readonly ConditionHour[]>();
  readonly zone = input.required<string>();
  readonly units = input.required<UnitSystem>();
  readonly flows = input.required<boolean>();
  /** The lesson, and the light of the day. */
  readonly lesson = input<Stretch | null>(null);
  readonly light = input<Stretch | null>(null);

  protected readonly words = computed(() => {
    const hours = this.hours();
    const span = (of: (hour: ConditionHour) => number, text: (value: number) => string): string =>
      `${text(Math.min(...hours.map(of)))} to ${text(Math.max(...hours.map(of)))}`;
    const units = this.units();
    return `The day hour by hour: air ${span(
      ({ airC }) => airC,
      (value) => formatTemperature(value, units),
    )}, water ${span(
      ({ waterC }) => waterC,
      (value) => formatTemperature(value, units),
    )}, wind ${span(
      ({ windMs }) => windMs,
      (value) => formatWind(value, units),
    )}, rain ${rainText(
      hours.reduce((sum, { rainMm }) => sum + rainMm, 0),
      units,
    )}`;
  });

  protected readonly options = computed<EChartsCoreOption>(() => {
    const [hours, units] = [this.hours(), this.units()];
    const metric = units === 'metric';
    const timeAt = (place: number): string => timeText((hours[0]?.atMs ?? 0) + place * HOUR_MS, this.zone());
    const grids = [0, 1, 2].map((i) => ({
      left: 64,
      right: this.flows() ? 58 : 16,
      top: 18 + i * 92,
      height: 62,
    }));
    const axis = (i: number) => ({
      type: 'value',
      gridIndex: i,
      min: -0.5,
      max: hours.length - 0.5,
      interval: 1,
      splitLine: { show: false },
      axisTick: { show: false },
      axisLabel: {
        show: i === 2,
        hideOverlap: true,
        fontFamily: CHART.figure,
        formatter: (place: number) => (place % 3 === 0 ? timeAt(place) : ''),
      },
    });
    const scale = (i: number, name: string, rest: object = {}) => ({
      type: 'value',
      gridIndex: i,
      name,
      nameLocation: 'middle',
      nameGap: 42,
      nameTextStyle: { color: CHART.soft, fontSize: 11 },
      splitNumber: 2,
      ...rest,
    });
    const wind = (ms: number): number => (metric ? ms : ms * MPH_PER_MS);
    const rain = (mm: number): number => (metric ? mm : mm / MM_PER_INCH);
    const line = (name: string, i: number, data: number[], color: string, rest: object = {}) => ({
      name,
      type: 'line',
      xAxisIndex: i,
      yAxisIndex: i,
      data: data.map((value, place) => [place, value]),
      showSymbol: false,
      lineStyle: { color, width: 2.4 },
      itemStyle: { color },
      ...rest,
    });
    return {
      animation: false,
      grid: grids,
      tooltip: {
        trigger: 'axis',
        formatter: (at: { dataIndex: number }[]) => this.tooltip(at[0]?.dataIndex ?? 0),
      },
      axisPointer: { link: [{ xAxisIndex: 'all' }] },
      xAxis: [0, 1, 2].map(axis),
      yAxis: [
        scale(0, metric ? '°C' : '°F', { scale: true }),
        scale(1, metric ? 'wind m/s' : 'wind mph', { min: 0 }),
        scale(2, metric ? 'rain mm' : 'rain in', {
          min: 0,
          max: (range: { max: number }) => Math.max(metric ? 4 : 0.16, range.max),
        }),
        ...(this.flows()
          ? [
              scale(2, metric ? 'level +m' : 'level +ft', {
                position: 'right',
                min: 0,
                splitLine: { show: false },
                max: (range: { max: number }) =>
                  Math.max(metric ? 0.4 : 1.2, Number((range.max * 1.2).toFixed(1))),
              }),
            ]
          : []),
      ],
      series: [
        line(
          'air',
          0,
          hours.map(({ airC }) => fromCelsius(airC, units)),
          CHART.strands.rigging,
          { markArea: this.marks(hours) },
        ),
        line(
          'water',
          0,
          hours.map(({ waterC }) => fromCelsius(waterC, units)),
          RIVER,
        ),
        line(
          'gusts',
          1,
          hours.map(({ gustMs }) => wind(gustMs)),
          CHART.strands['fish-care'],
          { lineStyle: { color: CHART.strands['fish-care'], width: 1.4, type: 'dashed' } },
        ),
        line(
          'wind',
          1,
          hours.map(({ windMs }) => wind(windMs)),
          CHART.ink,
          { markArea: this.marks(hours) },
        ),
        {
          name: 'rain',
          type: 'bar',
          xAxisIndex: 2,
          yAxisIndex: 2,
          barWidth: '2%',
          data: hours.map(({ rainMm }, place) => [place, rain(rainMm)]),
          itemStyle: { color: CHART.strands.casting },
          markArea: this.marks(hours),
        },
        ...(this.flows()
          ? [
              line(
                'level',
                2,
                hours.map(({ levelM }) => (metric ? levelM : levelM / METRES_PER_FOOT)),
                RIVER,
                { yAxisIndex: 3 },
              ),
            ]
          : []),
      ],
    };
  });

  /** Night in grey, the lesson in lime. */
  private marks(hours: readonly ConditionHour[]): object {
    const indexOf = (ms: number): number => placeOf(hours, ms);
    const area = (from: number, to: number, color: string) => [
      { xAxis: from, itemStyle: { color } },
      { xAxis: to },
    ];
    const [lesson, light] = [this.lesson(), this.light()];
    const last = hours.length - 1;
    return {
      silent: true,
      data: [
        ...(light ? [area(0, indexOf(light.fromMs), NIGHT), area(indexOf(light.toMs), last, NIGHT)] : []),
        ...(lesson ? [area(indexOf(lesson.fromMs), indexOf(lesson.toMs), LESSON)] : []),
      ],
    };
  }

  private tooltip(index: number): string {
    const hour = this.hours()[index];
    if (!hour) return '';
    const units = this.units();
    const thunder = hour.thunder > 0.05 ? `<br>thunder ${(hour.thunder * 100).toFixed(0)} of 100` : '';
    const level = this.flows() ? `<br>level +${formatLength(hour.levelM, units)}` : '';
    return `<b>${timeText(hour.atMs, this.zone())}</b><br>air ${formatTemperature(hour.airC, units)}, water ${formatTemperature(hour.waterC, units)}<br>wind ${formatWind(hour.windMs, units)}, gusts ${formatWind(hour.gustMs, units)}<br>rain ${rainText(hour.rainMm, units)}, ${hour.pressureHpa.toFixed(0)} hPa${level}${thunder}`;
  }
}

/** Where a moment lies among the hours, 0 for the first; half an hour is a half. */
function placeOf(hours: readonly ConditionHour[], ms: number): number {
  const first = hours[0]?.atMs ?? 0;
  return Math.min(hours.length - 1, Math.max(0, (ms - first) / HOUR_MS));
}

/** Rain as a gauge tells it: `8.8 mm`, `0.35 in`. */
function rainText(mm: number, units: UnitSystem): string {
  return units === 'metric' ? `${mm.toFixed(1)} mm` : `${(mm / MM_PER_INCH).toFixed(2)} in`;
}

import { By } from '@angular/platform-browser';
import { HOUR_MS } from '@doceo/core';
import { lessonServer, show } from '../../../testing/page';
import { HOUR } from '../../../testing/waters';
import { ChartComponent } from '../../theme/chart.component';
import { ConditionsChartComponent } from './conditions-chart.component';

const DAY_MS = Date.UTC(2026, 5, 10);
const hours = Array.from({ length: 24 }, (_, i) => ({ ...HOUR, atMs: DAY_MS + i * HOUR_MS, rainMm: 0.5 }));
const at = (hour: number): number => DAY_MS + hour * HOUR_MS;

describe('the chart of the day', () => {
  const open = async (units: 'metric' | 'imperial') => {
    const page = await show(ConditionsChartComponent, lessonServer(), {
      hours,
      zone: 'UTC',
      units,
      flows: true,
      lesson: { fromMs: at(9.5), toMs: at(13) },
      light: { fromMs: at(4.4), toMs: at(22.25) },
    });
    const chart = page.fixture.debugElement.query(By.directive(ChartComponent))
      .componentInstance as ChartComponent;
    return { page, options: chart.options() as { series: { markArea?: { data: { xAxis: number }[][] } }[] } };
  };

  it('draws the lesson from half past nine when it begins then, and the night to the minute', async () => {
    const { options } = await open('metric');
    const marks = options.series[0]!.markArea!.data.map((area) => area.map(({ xAxis }) => xAxis));
    expect(marks).toEqual([
      [0, expect.closeTo(4.4, 9)],
      [expect.closeTo(22.25, 9), 23],
      [9.5, 13],
    ]);
  });

  it.each([
    ['metric', 'rain 12.0 mm'],
    ['imperial', 'rain 0.47 in'],
  ] as const)('tells rain as the %s gauge does', async (units, words) => {
    const { page } = await open(units);
    expect(page.element.innerHTML).toContain(words);
  });
});

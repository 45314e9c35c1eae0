import { By } from '@angular/platform-browser';
import { lessonServer, show } from '../../../testing/page';
import { ChartComponent } from '../../theme/chart.component';
import { TrainerHistoryComponent } from './trainer-history.component';
import type { TrainerSession } from './trainer-sessions';

const run = (dPrime: number): TrainerSession => ({
  atMs: 0,
  studentId: null,
  float: 'bung' as TrainerSession['float'],
  water: 'calm' as TrainerSession['water'],
  takes: 10,
  hits: 4,
  falseAlarms: 6,
  dPrime,
  medianMs: 700,
});

describe('runs of the trainer', () => {
  it('worse than guessing are drawn below nought', async () => {
    const page = await show(TrainerHistoryComponent, lessonServer(), { sessions: [run(-0.4), run(1.2)] });
    const { options } = page.fixture.debugElement.query(By.directive(ChartComponent))
      .componentInstance as ChartComponent;
    const drawn = options() as { series: { data: number[] }[]; yAxis: { min: number }[] };
    expect(drawn.series[0]?.data).toEqual([-0.4, 1.2]);
    expect(drawn.yAxis[0]?.min).toBe(-1);
  });
});

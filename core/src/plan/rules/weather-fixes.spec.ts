import type { ConditionHour } from '../../conditions';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { seededRandom } from '../../random';
import { drawnStudent, FORD } from '../../testing/schedule-task';
import { applyEdit, blockFromDrill } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { type PlanLesson, planProblems } from '.';

const HOUR_MS = 3_600_000;
const NINE = Date.parse('2026-06-10T08:00:00Z');
const random = seededRandom('weather');
/** A calm day from six to eighteen UTC, with what is foretold in some of its hours. */
const hours = (thunderAt: readonly number[], windAt: readonly number[] = []): ConditionHour[] =>
  Array.from({ length: 13 }, (_, i) => 6 + i).map((hour) => ({
    atMs: Date.parse('2026-06-10T00:00:00Z') + hour * HOUR_MS,
    ...{
      airC: 17,
      waterC: 13,
      gustMs: 4,
      windFromDeg: 200,
      rainMm: 0,
      cloud: 0.5,
      levelM: 0,
      pressureHpa: 1015,
      flow: 1,
    },
    windMs: windAt.includes(hour) ? 12 : 3,
    thunder: thunderAt.includes(hour) ? 0.6 : 0,
  }));
const day = (of: ConditionHour[]): PlanLesson => ({
  ...{
    startMs: NINE,
    date: '2026-06-10',
    hours: of,
    students: [drawnStudent(0, random), drawnStudent(1, random)],
  },
  water: { ...FORD, latitude: 57.9, longitude: 9 },
});
const block = (drill: string, startMin: number): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${startMin}`, startMin, null),
  durationMin: 60,
});
const plan = (...blocks: Block[]): PlanBody => ({ ...emptyPlan(), groupSize: 2, lengthMin: 120, blocks });
const alertOf = (body: PlanBody, lesson: PlanLesson) =>
  planProblems(SHIPPED, body, lesson).find(({ rule }) => rule === 'conditions');
const fixOf = (body: PlanBody, lesson: PlanLesson, key: string) =>
  alertOf(body, lesson)?.fixes.find(({ does }) => typeof does === 'object' && key in does);

/** A talk about water on paper, then an hour of casting on the grass. */
const talkFirst = plan(block('seam-on-paper', 0), block('count-the-pause', 60));

describe('what can be done about weather', () => {
  it('is to begin at the nearest hour at which it is not there, and then it is not there', () => {
    const lesson = day(hours([10]));
    const fix = fixOf(talkFirst, lesson, 'earlierMin');
    expect(fix?.change).toEqual({ kind: 'start', byMin: expect.any(Number) });
    const byMin = fix?.change.kind === 'start' ? fix.change.byMin : 0;
    expect(byMin).toBeLessThan(0);
    expect(byMin).toBeGreaterThanOrEqual(-120);
    expect(alertOf(talkFirst, { ...lesson, startMs: NINE + byMin * 60_000 })).toBeUndefined();
  });

  it('is to begin later where it comes first', () => {
    const fix = fixOf(talkFirst, day(hours([6, 7, 8])), 'laterMin');
    const byMin = fix?.change.kind === 'start' ? fix.change.byMin : 0;
    expect(byMin).toBeGreaterThan(0);
    expect(alertOf(talkFirst, { ...day(hours([6, 7, 8])), startMs: NINE + byMin * 60_000 })).toBeUndefined();
  });

  it('is no other hour of a day that is like that all day', () => {
    const lesson = day(hours(Array.from({ length: 13 }, (_, i) => 6 + i)));
    for (const key of ['earlierMin', 'laterMin']) expect(fixOf(talkFirst, lesson, key)).toBeUndefined();
  });

  it('is to do then what it does not touch', () => {
    const lesson = day(hours([], [10]));
    const castFirst = plan(block('count-the-pause', 60), block('seam-on-paper', 0));
    const fix = fixOf(castFirst, lesson, 'swaps');
    expect(fix?.does).toEqual({ swaps: ['Count the pause', 'Seams on paper'] });
    const mended = fix?.change.kind === 'edit' ? applyEdit(SHIPPED, castFirst, fix.change.edit) : castFirst;
    expect(mended.blocks.map(({ drillId, startMin }) => [drillId, startMin]).sort()).toEqual([
      ['count-the-pause', 0],
      ['seam-on-paper', 60],
    ]);
    expect(alertOf(mended, lesson)?.blockIds).toEqual([]);
    // What is locked stays, and a talk about safety is never put off.
    const locked = { ...castFirst, blocks: castFirst.blocks.map((one) => ({ ...one, locked: true })) };
    expect(fixOf(locked, lesson, 'swaps')).toBeUndefined();
    const talk = plan(block('hats-and-glasses', 0), block('count-the-pause', 60));
    expect(fixOf(talk, lesson, 'swaps')).toBeUndefined();
  });

  it('is a plan B, where the plan has none for it', () => {
    const lesson = day(hours([9]));
    expect(fixOf(talkFirst, lesson, 'planB')?.change).toEqual({
      kind: 'plan-b',
      trigger: 'thunder',
      fromMin: 60,
    });
    const ready = { ...talkFirst, planB: { trigger: 'thunder' as const, fromMin: 60, blocks: [] } };
    expect(fixOf(ready, lesson, 'planB')).toBeUndefined();
    // Nothing of it is out of doors: there is nothing to put another in the place of.
    expect(fixOf(plan(block('seam-on-paper', 0)), lesson, 'planB')).toBeUndefined();
  });
});

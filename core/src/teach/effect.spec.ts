import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import fc from 'fast-check';
import { type BankEvent, drilledAttempts } from '../bank';
import { mainSkillOf } from '../drill';
import { simulateSchool } from '../simulate';
import { skillState, traceCourse, traceSkill } from '../skill';
import { drillEffects, drillOutcomes, planEffects, studentEffects } from './effect';
import { MIN_EFFECT } from './effect-sums';
import { MIN_MOVED, movedFaults } from './moved';
import { groupReadiness } from './readiness';

const HOUR_MS = 3_600_000;

/** What these records say, one student after the other. */
const said = (events: readonly BankEvent[], ids: readonly string[]) =>
  ids.map((id) => studentEffects(events, id));

function attempt(
  n: number,
  {
    student = 'sam',
    lesson = 'l',
    drill = 'count-the-pause',
    fault = null,
    atMs = n * 1000,
  }: { student?: string; lesson?: string; drill?: string; fault?: string | null; atMs?: number },
): BankEvent {
  const skillId = mainSkillOf(SHIPPED.drills.get(drill));
  return {
    id: `${student}/${lesson}/${drill}/${n}`,
    lessonId: lesson,
    studentId: student,
    blockId: null,
    deviceId: 'd',
    atMs,
    body: { kind: 'attempt', skillId, drillId: drill, good: fault === null, faultId: fault },
  };
}

/** A run of attempts, every `every`-th of them with the fault. */
function run(
  from: number,
  count: number,
  every: number,
  rest: Parameters<typeof attempt>[1] = {},
): BankEvent[] {
  return Array.from({ length: count }, (_, i) =>
    attempt(from + i, { ...rest, fault: (i + 1) % every === 0 ? 'cast.crack' : null }),
  );
}

describe('which drill moved which fault', () => {
  const pause = { ...SHIPPED.drills.get('count-the-pause'), watchFor: ['cast.crack'] };
  const watching = { ...SHIPPED, drills: { ...SHIPPED.drills, all: [pause] } };
  const other = { drill: 'lay-it-down' };

  it('is told from the attempts before and after, the first bout left out', () => {
    const [moved] = movedFaults(
      watching,
      [...run(0, 40, 2, other), ...run(40, 10, 1), ...run(50, 40, 10, other)],
      'sam',
    );
    expect(moved).toMatchObject({
      before: { count: 20, n: 40 },
      after: { count: 4, n: 40 },
      says: 'fell',
    });
    expect(moved?.change).toBeCloseTo(-40);
    expect(moved?.low).toBeGreaterThan(-60);
    expect(moved?.high).toBeLessThan(-20);
  });

  it('is not told below the least number of attempts on either side', () => {
    const few = MIN_MOVED - 1;
    expect(
      movedFaults(watching, [...run(0, few, 1, other), ...run(40, 10, 1), ...run(50, 40, 9, other)], 'sam'),
    ).toEqual([]);
    expect(
      movedFaults(watching, [...run(0, 40, 1, other), ...run(40, 10, 1), ...run(50, few, 9, other)], 'sam'),
    ).toEqual([]);
    expect(movedFaults(watching, run(0, 80, 2, other), 'sam')).toEqual([]);
  });

  it('is not told of a skill that was tried on one side only', () => {
    const roll = { drill: 'roll-the-d' };
    expect(
      movedFaults(watching, [...run(0, 40, 2, roll), ...run(40, 10, 1), ...run(50, 40, 9, other)], 'sam'),
    ).toEqual([]);
  });

  it('claims nothing when the interval holds no change, and turns with its two sides', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: MIN_MOVED, max: 60 }),
        fc.integer({ min: MIN_MOVED, max: 60 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        (n, m, often, later) => {
          const there = movedFaults(
            watching,
            [...run(0, n, often, other), ...run(n, 5, 9), ...run(n + 5, m, later, other)],
            'sam',
          )[0];
          const back = movedFaults(
            watching,
            [...run(0, m, later, other), ...run(m, 5, 9), ...run(m + 5, n, often, other)],
            'sam',
          )[0];
          fc.pre(there !== undefined && back !== undefined);
          if (!there || !back) return;
          expect(there.low).toBeLessThanOrEqual(there.change);
          expect(there.high).toBeGreaterThanOrEqual(there.change);
          expect(there.says === 'unclear').toBe(there.low <= 0 && there.high >= 0);
          expect(back.change).toBeCloseTo(-there.change, 9);
          expect(back.low).toBeCloseTo(-there.high, 9);
        },
      ),
    );
  });
});

describe('how well drills and plans worked', () => {
  const school = simulateSchool(SHIPPED, 'effect', {
    students: 6,
    drillIds: ['count-the-pause', 'sweep-low'],
    sessions: 2,
    attempts: 8,
  });
  const events = school.flatMap(({ key, attempts }) =>
    attempts.map(({ id, atMs, skillId, good, faultId }): BankEvent => ({
      id,
      lessonId: atMs < 24 * HOUR_MS ? 'first' : 'second',
      studentId: key,
      blockId: null,
      deviceId: 'd',
      atMs,
      body: {
        kind: 'attempt',
        skillId,
        drillId: skillId === 'casting.pause' ? 'count-the-pause' : 'sweep-low',
        good,
        faultId,
      },
    })),
  );
  const ids = school.map(({ key }) => key);
  const plans = new Map([
    ['first', 'plan'],
    ['second', 'plan'],
  ]);

  it('is counted by bouts and students', () => {
    const effects = drillEffects(SHIPPED, said(events, ids));
    expect(effects.map(({ drillId }) => drillId).sort()).toEqual(['count-the-pause', 'sweep-low']);
    for (const { n, students } of effects) expect([n, students]).toEqual([12, 6]);
    expect(effects.reduce((sum, { attempts }) => sum + attempts, 0)).toBe(events.length);
    expect(planEffects(said(events, ids), plans)).toMatchObject([{ planId: 'plan', n: 24, students: 6 }]);
  });

  it('rises by what the estimate rose, from before the first attempt of each bout to after its last', () => {
    const [sole] = drillEffects(
      SHIPPED,
      said(
        events.filter(({ lessonId }) => lessonId === 'first'),
        ids,
      ),
    ).filter(({ drillId }) => drillId === 'sweep-low');
    const prior = traceSkill([], 0).mastery;
    const rises = school.map(({ attempts }) => {
      const own = attempts.filter(
        ({ skillId, atMs }) => skillId === 'hook-setting.set-direction' && atMs < 24 * HOUR_MS,
      );
      return traceSkill(own, Math.max(...own.map(({ atMs }) => atMs))).mastery - prior;
    });
    expect(sole?.rise?.mean).toBeCloseTo(rises.reduce((sum, rise) => sum + rise, 0) / 6, 9);
    expect(sole?.rise?.low).toBeLessThan(sole?.rise?.mean ?? 0);
  });

  it('says nothing from a few bouts, or from one student however often', () => {
    const few = events.filter(({ lessonId }) => lessonId === 'first');
    for (const { rise, good } of drillEffects(SHIPPED, said(few, ids.slice(0, MIN_EFFECT - 1))))
      expect([rise, good]).toEqual([null, null]);
    const often = Array.from({ length: 8 }, (_, i) => run(i * 100, 6, 3, { lesson: `l${i}` })).flat();
    expect(drillEffects(SHIPPED, said(often, ['sam']))).toMatchObject([{ n: 8, students: 1, rise: null }]);
  });
});

describe('the course of an estimate', () => {
  it('ends where the tracing ends, and each step begins where the last one ended', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }), (goods) => {
        const attempts = goods.map((good, i) => ({ id: `${i}`, atMs: i * 20_000, good }));
        const course = traceCourse(attempts);
        expect(course.at(-1)?.after).toBeCloseTo(traceSkill(attempts, goods.length * 20_000).mastery, 9);
        course.slice(1).forEach(({ before }, i) => expect(before).toBeCloseTo(course[i]?.after ?? -1, 9));
      }),
    );
  });
});

describe('who is ready for what', () => {
  const mastered = (...skillIds: string[]) =>
    skillState(
      SHIPPED.skills.all,
      skillIds.flatMap((skillId) =>
        Array.from({ length: 20 }, (_, i) => ({ id: `${skillId}${i}`, atMs: i, skillId, good: true })),
      ),
      1000,
    );

  it('follows the prerequisites', () => {
    const rows = groupReadiness(SHIPPED, [
      mastered(),
      mastered('casting.grip-stance'),
      mastered('casting.grip-stance', 'casting.straight-path'),
    ]);
    const of = (id: string) => rows.find(({ skill }) => skill.id === id);
    expect(of('casting.grip-stance')?.cells.map(({ readiness }) => readiness)).toEqual([
      'ready',
      'has',
      'has',
    ]);
    expect(of('casting.straight-path')?.cells.map(({ readiness }) => readiness)).toEqual([
      'lacks',
      'ready',
      'has',
    ]);
    expect(of('casting.stop')?.cells.map(({ readiness }) => readiness)).toEqual(['lacks', 'lacks', 'ready']);
    expect(of('casting.stop')?.ready).toBe(1);
    expect(of('casting.stop')?.cells[1]?.lacks.map(({ id }) => id)).toEqual(['casting.straight-path']);
  });

  it('has a row for every skill, and a cell for every student', () => {
    const rows = groupReadiness(SHIPPED, [mastered(), mastered()]);
    expect(rows.map(({ skill }) => skill.id)).toEqual(SHIPPED.skills.all.map(({ id }) => id));
    for (const { cells } of rows) expect(cells).toHaveLength(2);
  });
});

describe('the outcome of a drill, without anybody in it', () => {
  it('adds up what each student rose by, on the mean over his lessons', () => {
    const sam = [...run(0, 6, 3, { lesson: 'one' }), ...run(20, 6, 7, { lesson: 'two' })];
    const jonas = run(40, 6, 2, { student: 'jonas', lesson: 'one' });
    const events = [...sam, ...jonas];
    const outcomes = (...ids: string[]) =>
      drillOutcomes(
        SHIPPED,
        ids.map((id) => studentEffects(events, id)),
      );
    const [outcome, ...others] = outcomes('sam', 'jonas');
    expect(others).toEqual([]);
    expect(outcome).toMatchObject({ drillId: 'count-the-pause', students: 2, lessons: 2 });
    const rises = (['sam', 'jonas'] as const).map((id) => {
      const [own] = outcomes(id);
      return own!.riseSum;
    });
    expect(outcome?.riseSum).toBeCloseTo(rises[0]! + rises[1]!, 12);
    expect(outcome?.riseSquares).toBeCloseTo(rises[0]! ** 2 + rises[1]! ** 2, 12);
    // One lesson at a time: the mean of the two is what counts of Sam.
    const course = traceCourse(drilledAttempts(events, 'sam'));
    const rise = (from: number, to: number): number => course[to]!.after - course[from]!.before;
    expect(rises[0]).toBeCloseTo((rise(0, 5) + rise(6, 11)) / 2, 9);
  });
});

import type { ConditionHour } from '../../conditions';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { seededRandom } from '../../random';
import { buildRig, leaderLength } from '../../rig';
import { drawnStudent, FORD } from '../../testing/schedule-task';
import { applyEdit, blockFromDrill, plainBlock } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { type PlanLesson, planProblems, type PlanStudent } from '.';

const START = Date.parse('2026-06-10T08:00:00Z');
const random = seededRandom('watched');
const two = (change: Partial<PlanStudent> = {}): PlanStudent[] => [
  drawnStudent(0, random),
  drawnStudent(1, random, change),
];
const day = (students: PlanStudent[], hours: ConditionHour[] = []): PlanLesson => ({
  ...{ startMs: START, date: '2026-06-10', water: FORD, students, hours },
});
const block = (drill: string, startMin: number, durationMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${startMin}/${lane}`, startMin, lane),
  durationMin,
});
const plan = (blocks: Block[], change: Partial<PlanBody> = {}): PlanBody => ({
  ...{ ...emptyPlan(), groupSize: 2, lengthMin: 120, blocks },
  ...change,
});
const found = (body: PlanBody, lesson: PlanLesson, rule: string) =>
  planProblems(SHIPPED, body, lesson).filter((one) => one.rule === rule);

/** Two drills at once that want eyes on them, after the talk. */
const PARTED = [
  block('hats-and-glasses', 0, 10),
  block('set-on-anything', 10, 20, 0),
  block('tuck-over', 10, 20, 1),
];

describe('who watches, in the check of a plan', () => {
  const eyesOn = ['set-on-anything', 'tuck-over'].map((id) => SHIPPED.drills.get(id).supervision);

  it('is nobody where two groups want the eyes of one instructor', () => {
    expect(eyesOn).toEqual(['eyes-on', 'eyes-on']);
    const [problem] = found(plan(PARTED), day(two()), 'watched');
    expect(problem).toMatchObject({
      ...{ id: 'watched/supervision', level: 'check' },
      facts: {
        what: 'supervision',
        moments: [{ atMs: START + 600_000, blocks: ['Set on anything', 'Tuck it in'] }],
        staff: { instructors: 1, assistants: 0 },
      },
    });
    expect(problem?.blockIds.length).toBeGreaterThan(0);
  });

  it('is mended by one instructor more, with a press, and by no assistant', () => {
    const lesson = day(two());
    const [problem] = found(plan(PARTED), lesson, 'watched');
    expect(problem?.fixes.map(({ does }) => does)).toEqual([{ comes: 'instructor' }]);
    const change = problem?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, plan(PARTED), change.edit) : plan(PARTED);
    expect(mended.staff).toEqual({ instructors: 2, assistants: 0 });
    expect(found(mended, lesson, 'watched')).toEqual([]);
  });

  it('must be mended where somebody said who teaches', () => {
    const staff = { instructors: 1, assistants: 1 };
    expect(found(plan(PARTED, { staff }), day(two()), 'watched')[0]?.level).toBe('must-fix');
  });

  it('leaves no minor out of sight while the one instructor has eyes on the others', () => {
    const lesson = day(two({ ageYears: 14 }));
    const one = plan([block('hats-and-glasses', 0, 10), block('set-on-anything', 10, 20, 0)]);
    const [problem] = found(one, lesson, 'watched').filter(({ id }) => id === 'watched/minors');
    expect(problem?.fixes.map(({ does }) => does)).toContainEqual({ comes: 'assistant' });
    expect(found(one, day(two()), 'watched')).toEqual([]);
  });
});

describe('who waits, in the check of a plan', () => {
  it('is told with how long and from when, together with those who wait alike', () => {
    const gap = plan([block('hats-and-glasses', 0, 10), block('count-the-pause', 30, 20)]);
    expect(found(gap, day(two()), 'waits').map(({ facts }) => facts)).toEqual([
      { names: ['S0', 'S1'], minutes: 20, fromMs: START + 600_000, timeZone: 'UTC' },
    ]);
  });

  it('is nobody in a break, in ten minutes, or at the end', () => {
    const short = plan([
      block('hats-and-glasses', 0, 10),
      block('count-the-pause', 20, 20),
      plainBlock('break', 'Tea', 'tea', 40, 30),
      block('stop-and-say', 70, 15),
    ]);
    expect(found(short, day(two()), 'waits')).toEqual([]);
  });
});

describe('the rig of a block, in the check of a plan', () => {
  const rig = buildRig('indicator-nymph');
  const leaded = {
    ...rig,
    fittings: rig.fittings.map((one) => (one.kind === 'shot' ? { ...one, metal: 'lead' as const } : one)),
  };
  const body = (rigId: string | null): PlanBody =>
    plan([{ ...block('water-load', 10, 20), rigId }], {
      rigs: [{ id: 'r', name: 'Two nymphs', rig: leaded }],
    });
  const lead = (of: PlanBody) =>
    found(of, day(two()), 'rig').find(({ id }) => id === 'rig/r/lead-not-allowed');

  it('is checked by the card of the water, with the blocks that fish it, and mended by a press', () => {
    const problem = lead(body('r'));
    expect(problem).toMatchObject({ level: 'must-fix', facts: { name: 'Two nymphs' } });
    expect(problem?.blockIds).toEqual(['water-load/10/null']);
    expect(problem?.fixes.map(({ does }) => does)).toEqual([{ mends: 'tin-shot' }]);
    const change = problem?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, body('r'), change.edit) : body('r');
    expect(lead(mended)).toBeUndefined();
    expect(mended.rigs[0]?.name).toBe('Two nymphs');
  });

  it('says nothing of a rig that no block fishes', () =>
    expect(found(body(null), day(two()), 'rig')).toEqual([]));
});

describe('how long a drill lasts, in the check of a plan', () => {
  it('is told where it is more than meant, and cut to that by a press', () => {
    const most = SHIPPED.drills.get('count-the-pause').minutes.max;
    const body = plan([block('hats-and-glasses', 0, 10), block('count-the-pause', 10, most + 20)]);
    const [problem] = found(body, day(two()), 'too-long');
    expect(problem?.facts).toEqual({
      blocks: [{ block: 'Count the pause', minutes: most + 20, mostMin: most }],
    });
    const change = problem?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, body, change.edit) : body;
    expect(found(mended, day(two()), 'too-long')).toEqual([]);
    expect(found(plan([block('count-the-pause', 0, most + 5)]), day(two()), 'too-long')).toEqual([]);
  });
});

describe('the weather, in the check of a plan', () => {
  const hours = (change: (hour: number) => Partial<ConditionHour>): ConditionHour[] =>
    Array.from({ length: 24 }, (_, i) => ({
      ...{ atMs: Date.parse('2026-06-10T00:00:00Z') + i * 3_600_000, airC: 14, windMs: 2, gustMs: 3 },
      ...{
        windFromDeg: 0,
        pressureHpa: 1013,
        cloud: 0,
        rainMm: 0,
        thunder: 0,
        levelM: 0,
        flow: 1,
        waterC: 12,
      },
      ...change(i),
    }));
  const body = plan([
    block('hats-and-glasses', 0, 10),
    { ...block('find-the-seam', 10, 20), place: 'run' as const },
    { ...block('mend-both-ways', 90, 20), place: 'run' as const },
  ]);
  const touched = (change: (hour: number) => Partial<ConditionHour>): string[] =>
    found(body, day(two(), hours(change)), 'conditions').flatMap(({ blockIds }) => [...blockIds]);

  it('names the blocks it is about: those out of doors in its hours', () => {
    expect(touched((hour) => ({ thunder: hour === 8 ? 0.6 : 0 }))).toEqual(['find-the-seam/10/null']);
    expect(touched((hour) => ({ thunder: hour >= 8 ? 0.6 : 0 }))).toEqual([
      'find-the-seam/10/null',
      'mend-both-ways/90/null',
    ]);
  });

  it('names only blocks with a long line in a wind', () =>
    expect(touched(() => ({ windMs: 12 }))).toEqual(
      [...body.blocks]
        .filter(({ drillId }) => SHIPPED.drills.get(drillId ?? '').lineOutM > 6)
        .map(({ id }) => id),
    ));
});

describe('water where nobody may wade, in the check of a plan', () => {
  const ford = (rules: Partial<PlanLesson['water']['rules']>): PlanLesson => {
    const lesson = day(two());
    return { ...lesson, water: { ...lesson.water, rules: { ...lesson.water.rules, ...rules } } };
  };
  const body = plan([
    block('hats-and-glasses', 0, 10),
    block('turn-back', 10, 20),
    block('count-the-pause', 30, 20),
  ]);

  it('has no drill that wades, and one click takes them out', () => {
    const lesson = ford({ forbidden: ['wading'] });
    const [problem] = found(body, lesson, 'no-wading');
    expect([problem?.level, problem?.blockIds]).toEqual(['must-fix', [body.blocks[1]?.id]]);
    const change = problem?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, body, change.edit) : body;
    expect(mended.blocks.map(({ drillId }) => drillId)).toEqual(['hats-and-glasses', 'count-the-pause']);
    expect(found(mended, lesson, 'no-wading')).toEqual([]);
  });

  it('is only where the card says so', () => {
    for (const forbidden of [undefined, null, [], ['shot' as const]])
      expect(found(body, ford({ forbidden }), 'no-wading')).toEqual([]);
  });
});

describe('walking, in the check of a plan', () => {
  const at = (start: number, place: Block['place']): Block => ({
    ...block('count-the-pause', start, 10),
    place,
  });
  const back = plan([at(0, 'grass'), at(10, 'run'), at(20, 'grass'), at(30, 'run'), at(40, 'grass')]);

  it('tells who goes to and fro, how often, and how far on the drawing', () => {
    const lesson = day(two());
    const drawn = (x: number) => ({ drawn: { beatId: 'b', at: { x, y: 0 } } });
    const places = lesson.water.places
      .filter(({ kind }) => kind === 'grass' || kind === 'run')
      .map((place) => ({ ...place, ...drawn(place.kind === 'grass' ? 0 : 40) }));
    const [problem] = found(back, { ...lesson, water: { ...lesson.water, places } }, 'walking');
    expect(problem?.level).toBe('tip');
    expect(problem?.facts).toEqual({ names: lesson.students.map(({ name }) => name), walks: 4, metres: 160 });
    expect(found(back, lesson, 'walking')[0]?.facts).toMatchObject({ walks: 4, metres: 0 });
  });

  it('says nothing of a group that goes out and stays', () => {
    const out = plan([at(0, 'grass'), at(10, 'run'), { ...at(20, 'anywhere') }, at(30, 'run')]);
    expect(found(out, day(two()), 'walking')).toEqual([]);
  });
});

describe('room between hooks, in the check of a plan', () => {
  it('goes by the rod and leader of the block’s own rig', () => {
    const lesson = day(two());
    const places = lesson.water.places.map((place) => ({ ...place, lengthM: 6 }));
    const narrow = { ...lesson, water: { ...lesson.water, places } };
    const casting: Block = { ...block('water-load', 0, 10), place: 'run' };
    const long = buildRig('lake-long-leader');
    const apartM = (body: PlanBody): unknown[] =>
      found(body, narrow, 'hook-distance').map(({ facts }) => (facts as { distanceM: number }).distanceM);
    const lineOutM = SHIPPED.drills.get('water-load').lineOutM;
    expect(apartM(plan([casting]))).toEqual([2 * lineOutM]);
    const rigs = [{ id: 'r', name: 'Long', rig: { ...long, rod: { lengthM: 9 } } }];
    const [own] = apartM(plan([{ ...casting, rigId: 'r' }], { rigs })) as number[];
    expect(own).toBeGreaterThan(2 * lineOutM);
    expect(own).toBeCloseTo(9 + leaderLength(long) + 0.7, 6);
  });
});

import { blockFromDrill, buildRig, emptyPlan, planDifferences, type SharedPlan } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { planDifferenceInWords, planPathText, planValueText } from './plan-changes';

const hoops = blockFromDrill(SHIPPED.drills.get('hoops'), 'a', 20);
const PLAN: SharedPlan = {
  title: 'Grass',
  body: {
    ...emptyPlan(),
    blocks: [{ ...hoops, durationMin: 15 }],
    rigs: [{ id: 'r', name: 'Dry', rig: buildRig('dry-fly') }],
    carries: {
      skills: [],
      drills: [SHIPPED.drills.get('hoops')],
      faults: [SHIPPED.faults.get(hoops.watchFor[0]!)],
    },
  },
};
const value = (path: string, of: unknown): string => planValueText(path, of, PLAN, 'metric');

describe('what stands at a path of a plan', () => {
  it.each([
    ['aim', 'Aim'],
    ['staff', 'Who teaches'],
    ['blocks/a', '“Three hoops”'],
    ['blocks/a/durationMin', '“Three hoops”, how long'],
    ['blocks/a/cue', '“Three hoops”, cue'],
    ['rigs/r/waterDepthM', 'Rig “Dry”, for a depth of'],
    ['rigs/r/name', 'Rig “Dry”, name'],
    ['carries/drills/hoops', 'Drill “Three hoops”'],
  ])('%s is %s', (path, words) => expect(planPathText(path, [PLAN])).toBe(words));

  it('has the name of the first state that has it', () =>
    expect(planPathText('blocks/a', [{ ...PLAN, body: emptyPlan() }, PLAN])).toBe('“Three hoops”'));

  it.each<[string, unknown, string]>([
    ['title', 'Meadow', 'Meadow'],
    ['aim', '', 'nothing'],
    ['lengthMin', 90, '90 min'],
    ['groupSize', 1, '1 student'],
    ['staff', { instructors: 2, assistants: 1 }, '2 instructors and 1 assistant'],
    ['planB', { trigger: 'thunder', fromMin: 60, blocks: [hoops] }, 'Thunder, from minute 60, 1 block'],
    ['blocks/a', true, 'from minute 20, 15 min, everybody, grass'],
    ['blocks/a', undefined, 'not there'],
    ['blocks/a/startMin', 35, 'from minute 35'],
    ['blocks/a/lane', 1, 'student 2'],
    ['blocks/a/rigId', 'r', '“Dry”'],
    ['blocks/a/rigId', null, 'no rig'],
    ['blocks/a/drillId', 'hoops', 'Three hoops'],
    ['blocks/a/locked', true, 'yes'],
    ['blocks/a/watchFor', [], 'nothing'],
    ['rigs/r/waterDepthM', 1.5, '1.50 m'],
  ])('%s of %j is told as “%s”', (path, of, words) => expect(value(path, of)).toBe(words));
});

describe('a difference in words', () => {
  const told = (after: SharedPlan): string[] =>
    planDifferences(PLAN, after).flatMap((one) =>
      planDifferenceInWords(one, PLAN, after, 'metric').map(
        ({ what, before, after: is }) => `${what}: ${before}, ${is}`,
      ),
    );
  const body = (change: Partial<SharedPlan['body']>): SharedPlan => ({
    ...PLAN,
    body: { ...PLAN.body, ...change },
  });

  it('has a line for each field of a block, and one for when it begins', () =>
    expect(told(body({ blocks: [{ ...hoops, startMin: 30, durationMin: 20 }] }))).toEqual([
      '“Three hoops”, when it begins: from minute 20, from minute 30',
      '“Three hoops”, how long: 15 min, 20 min',
    ]));

  it('says what comes and goes', () => {
    const other = { ...hoops, id: 'b', title: 'Again' };
    expect(told(body({ blocks: [other], rigs: [] }))).toEqual([
      '“Three hoops”: from minute 20, 15 min, everybody, grass, not there',
      `“Again”: not there, from minute 20, ${hoops.durationMin} min, everybody, grass`,
      'Rig “Dry”: there, not there',
    ]);
  });

  it('tells facts and plan B', () =>
    expect(told(body({ aim: 'Six.', planB: { trigger: 'wind', fromMin: 30, blocks: [] } }))).toEqual([
      'Aim: nothing, Six.',
      'Plan B: not there, Wind, from minute 30, 0 blocks',
    ]));
});

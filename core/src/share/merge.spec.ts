import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { applyEdit, type Block, blockFromDrill, emptyPlan, type PlanBody, type PlanEdit } from '../plan';
import { buildRig, type Rig, rigEdits } from '../rig';
import type { SharedPlan } from './canonical';
import { type MergeChoices, mergePlans } from './merge';

const block = (id: string, startMin: number, durationMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get('hoops'), id, startMin, lane),
  ...{ durationMin, title: id.toUpperCase(), cue: 'Reach.', note: '', watchFor: [] },
});
/** Five blocks one after the other, two of them for one student each; the last with a rig. */
const ORIGIN: SharedPlan = {
  title: 'Grass',
  body: applyEdit(
    SHIPPED,
    {
      ...emptyPlan(),
      ...{ aim: 'Ten hoops.', groupSize: 2, lengthMin: 120 },
      rigs: [
        { id: 'r1', name: 'Nymphs', rig: buildRig('indicator-nymph') },
        { id: 'r2', name: 'Dry', rig: buildRig('dry-fly') },
      ],
      blocks: [
        block('a', 0, 20),
        block('b', 20, 20),
        block('c', 40, 20, 0),
        block('d', 40, 20, 1),
        { ...block('e', 60, 30), rigId: 'r1', watchFor: ['wrist'] },
      ],
    },
    { kind: 'set', change: {} },
  ),
};

type Change = (plan: SharedPlan) => SharedPlan;
const edit =
  (...edits: PlanEdit[]): Change =>
  ({ title, body }) => ({ title, body: applyEdit(SHIPPED, body, { kind: 'all', edits }) });
const change = (blockId: string, of: Partial<Block>): PlanEdit => ({ kind: 'change', blockId, change: of });
const set = (of: Partial<PlanBody>): PlanEdit => ({ kind: 'set', change: of });
const add = (...of: Parameters<typeof block>): PlanEdit => ({ kind: 'add', block: block(...of) });
const gone = (blockId: string): PlanEdit => ({ kind: 'remove', blockId });
const move = (blockId: string, startMin: number, lane: number | null = null): PlanEdit => ({
  ...{ kind: 'move', blockId, startMin, lane },
});
const resize = (blockId: string, durationMin: number): PlanEdit => ({ kind: 'resize', blockId, durationMin });
const titled =
  (title: string): Change =>
  (plan) => ({ ...plan, title });
const rigged =
  (rigId: string, of: (rig: Rig) => Rig): Change =>
  (plan) =>
    edit(set({ rigs: plan.body.rigs.map((one) => (one.id === rigId ? { ...one, rig: of(one.rig) } : one)) }))(
      plan,
    );
const named =
  (rigId: string, name: string): Change =>
  (plan) =>
    edit(set({ rigs: plan.body.rigs.map((one) => (one.id === rigId ? { ...one, name } : one)) }))(plan);
const without =
  (rigId: string): Change =>
  (plan) =>
    edit(set({ rigs: plan.body.rigs.filter(({ id }) => id !== rigId) }))(plan);
const nothing: Change = (plan) => plan;
const planB = (fromMin: number): Change => edit(set({ planB: { trigger: 'thunder', fromMin, blocks: [] } }));

/** `a 0+20, c 40+20 of 1`: what begins when, how long it is, and whose it is. */
const told = ({ body }: SharedPlan): string =>
  body.blocks
    .map(
      ({ id, startMin, durationMin, lane }) =>
        `${id} ${startMin}+${durationMin}${lane === null ? '' : ` of ${lane + 1}`}`,
    )
    .join(', ');
const AS_IT_WAS = 'a 0+20, b 20+20, c 40+20 of 1, d 40+20 of 2, e 60+30';

/** What both did, and the plan that comes of it; then what waits for a choice, and the plan by a choice. */
const CASES: [string, Change, Change, string, string[]?, [MergeChoices, string]?][] = [
  ['nothing', nothing, nothing, AS_IT_WAS],
  [
    'the same change of both',
    edit(resize('e', 20)),
    edit(resize('e', 20)),
    AS_IT_WAS.replace('e 60+30', 'e 60+20'),
  ],
  ['a title here, an aim there', titled('Meadow'), edit(set({ aim: 'Five.' })), AS_IT_WAS],
  ['two titles', titled('Meadow'), titled('Field'), AS_IT_WAS, ['title']],
  ['two aims', edit(set({ aim: 'Five.' })), edit(set({ aim: 'Six.' })), AS_IT_WAS, ['aim']],
  ['two lengths', edit(set({ lengthMin: 90 })), edit(set({ lengthMin: 150 })), AS_IT_WAS, ['lengthMin']],
  [
    'two staffs',
    edit(set({ staff: { instructors: 2, assistants: 0 } })),
    edit(set({ staff: { instructors: 1, assistants: 1 } })),
    AS_IT_WAS,
    ['staff'],
  ],
  [
    'a cue here, a note there',
    edit(change('a', { cue: 'Slow.' })),
    edit(change('a', { note: 'Far.' })),
    AS_IT_WAS,
  ],
  [
    'two cues',
    edit(change('a', { cue: 'Slow.' })),
    edit(change('a', { cue: 'Soft.' })),
    AS_IT_WAS,
    ['blocks/a/cue'],
  ],
  [
    'a cue here, another block’s there',
    edit(change('a', { cue: 'Slow.' })),
    edit(change('b', { cue: 'Soft.' })),
    AS_IT_WAS,
  ],
  [
    'a move and an edit',
    edit(move('a', 95)),
    edit(change('a', { cue: 'Slow.' })),
    'b 20+20, c 40+20 of 1, d 40+20 of 2, e 60+30, a 95+20',
  ],
  [
    'a move to another student and an edit',
    edit(move('c', 90, 1)),
    edit(change('c', { note: 'Far.' })),
    'a 0+20, b 20+20, d 40+20 of 2, e 60+30, c 90+20 of 2',
  ],
  [
    'one block to two students',
    edit(change('c', {}), move('c', 40, null)),
    edit(move('c', 90, 1)),
    // Its time is of who moved it past others; whose it is waits. What the other pushed for it stays pushed.
    'a 0+20, b 20+20, d 60+20 of 2, e 80+30, c 110+20 of 1',
    ['blocks/c/lane'],
    [{ 'blocks/c/lane': 'theirs' }, 'a 0+20, b 20+20, d 60+20 of 2, e 80+30, c 110+20 of 2'],
  ],
  [
    'one block to two places in the day',
    edit(move('b', 95)),
    edit(move('b', 120)),
    AS_IT_WAS,
    ['blocks/b/startMin'],
    [{ 'blocks/b/startMin': 'theirs' }, 'a 0+20, c 40+20 of 1, d 40+20 of 2, e 60+30, b 120+20'],
  ],
  [
    'two blocks that change places here, a longer one there',
    edit({ kind: 'reorder', blockId: 'b', direction: -1 }),
    edit(resize('a', 30)),
    'b 0+20, a 20+30, c 50+20 of 1, d 50+20 of 2, e 70+30',
  ],
  [
    'a longer one here, a longer one there',
    edit(resize('a', 30)),
    edit(resize('b', 25)),
    'a 0+30, b 30+25, c 55+20 of 1, d 55+20 of 2, e 75+30',
  ],
  [
    'a block of two lengths',
    edit(resize('b', 30)),
    edit(resize('b', 25)),
    // What follows is pushed by both until one is chosen.
    'a 0+20, b 20+20, c 55+20 of 1, d 55+20 of 2, e 75+30',
    ['blocks/b/durationMin'],
  ],
  [
    'a new one here, a new one there',
    edit(add('m', 20, 10)),
    edit(add('t', 60, 15)),
    'a 0+20, m 20+10, b 30+20, c 50+20 of 1, d 50+20 of 2, t 70+15, e 85+30',
  ],
  [
    'two new ones at the same time',
    edit(add('m', 20, 10)),
    edit(add('t', 20, 15)),
    'a 0+20, m 20+10, t 30+15, b 45+20, c 65+20 of 1, d 65+20 of 2, e 85+30',
  ],
  ['the same new one', edit(add('n', 90, 10)), edit(add('n', 90, 10)), `${AS_IT_WAS}, n 90+10`],
  [
    'the same new one, each otherwise',
    edit(add('n', 90, 10)),
    edit(add('n', 90, 15)),
    `${AS_IT_WAS}, n 90+10`,
    ['blocks/n/durationMin'],
    [{ 'blocks/n/durationMin': 'theirs' }, `${AS_IT_WAS}, n 90+15`],
  ],
  ['gone here', edit(gone('c')), titled('Meadow'), 'a 0+20, b 20+20, d 40+20 of 2, e 60+30'],
  ['gone on both sides', edit(gone('c')), edit(gone('c')), 'a 0+20, b 20+20, d 40+20 of 2, e 60+30'],
  ['another gone on each', edit(gone('c')), edit(gone('d')), 'a 0+20, b 20+20, e 60+30'],
  [
    'gone here and changed there',
    edit(gone('c')),
    edit(change('c', { cue: 'Slow.' })),
    AS_IT_WAS,
    ['blocks/c'],
    [{ 'blocks/c': 'mine' }, 'a 0+20, b 20+20, d 40+20 of 2, e 60+30'],
  ],
  [
    'changed here and gone there',
    edit(resize('e', 45)),
    edit(gone('e')),
    AS_IT_WAS,
    ['blocks/e'],
    [{ 'blocks/e': 'mine' }, AS_IT_WAS.replace('e 60+30', 'e 60+45')],
  ],
  [
    'gone here and moved there',
    edit(gone('a')),
    edit(move('a', 95)),
    AS_IT_WAS,
    ['blocks/a'],
    [{ 'blocks/a': 'theirs' }, 'b 20+20, c 40+20 of 1, d 40+20 of 2, e 60+30, a 95+20'],
  ],
  [
    'gone here, only pushed there',
    edit(gone('e')),
    edit(resize('a', 30)),
    'a 0+30, b 30+20, c 50+20 of 1, d 50+20 of 2',
  ],
  [
    'a fault to watch for here, another there',
    edit(change('e', { watchFor: ['wrist', 'tailing-loop'] })),
    edit(change('e', { watchFor: ['late-stop', 'wrist'] })),
    AS_IT_WAS,
  ],
  [
    'one fault less here, another more there',
    edit(change('e', { watchFor: [] })),
    edit(change('e', { watchFor: ['wrist', 'late-stop'] })),
    AS_IT_WAS,
  ],
  [
    'a rig’s name here, its depth there',
    named('r1', 'Two nymphs'),
    rigged('r1', (rig) => rigEdits.depth(rig, 2)),
    AS_IT_WAS,
  ],
  ['two names of a rig', named('r1', 'Two nymphs'), named('r1', 'Heavy'), AS_IT_WAS, ['rigs/r1/name']],
  [
    'two depths of a rig',
    rigged('r1', (rig) => ({ ...rig, waterDepthM: 2 })),
    rigged('r1', (rig) => ({ ...rig, waterDepthM: 3 })),
    AS_IT_WAS,
    ['rigs/r1/waterDepthM'],
  ],
  [
    'a section here, a fly there',
    rigged('r2', (rig) => ({
      ...rig,
      sections: rig.sections.map((one, i) => (i === 0 ? { ...one, lengthM: 2 } : one)),
    })),
    rigged('r2', (rig) => ({ ...rig, flies: rig.flies.map((fly) => ({ ...fly, hookSize: 18 })) })),
    AS_IT_WAS,
  ],
  [
    'a part taken off here, another changed there',
    rigged('r1', (rig) => ({ ...rig, fittings: rig.fittings.slice(0, 1) })),
    rigged('r1', (rig) => ({ ...rig, waterDepthM: 3 })),
    AS_IT_WAS,
    // Parts of rigs that have other parts are not put together one by one.
    ['rigs/r1/rig'],
  ],
  ['a rig gone here that nobody needs', without('r2'), titled('Meadow'), AS_IT_WAS],
  ['a rig gone here that a block there needs', without('r2'), edit(change('a', { rigId: 'r2' })), AS_IT_WAS],
  ['a plan B here', planB(40), titled('Meadow'), AS_IT_WAS],
  ['two plans B', planB(40), planB(60), AS_IT_WAS, ['planB']],
  [
    'a lock here, a cue there',
    edit(change('b', { locked: true })),
    edit(change('b', { cue: 'Slow.' })),
    AS_IT_WAS,
  ],
];

describe('merging by hand', () => {
  it('has as many cases as it says', () => expect(CASES).toHaveLength(40));

  it.each(CASES)('%s', (_, mine, theirs, expected, conflicts = [], chosen) => {
    const sides = [ORIGIN, mine(ORIGIN), theirs(ORIGIN)] as const;
    const merged = mergePlans(...sides);
    expect(told(merged.plan)).toBe(expected);
    expect(merged.conflicts.map(({ path }) => path)).toEqual(conflicts);
    if (!chosen) return;
    const settled = mergePlans(...sides, chosen[0]);
    expect(told(settled.plan)).toBe(chosen[1]);
    expect(settled.conflicts).toEqual([]);
  });

  const merged = (mine: Change, theirs: Change, choices?: MergeChoices) =>
    mergePlans(ORIGIN, mine(ORIGIN), theirs(ORIGIN), choices);

  it('has both changes of a block, and says whose each is', () => {
    const { plan, from } = merged(edit(change('a', { cue: 'Slow.' })), edit(change('a', { note: 'Far.' })));
    expect(plan.body.blocks[0]).toMatchObject({ cue: 'Slow.', note: 'Far.' });
    expect(from).toEqual({ mine: ['blocks/a/cue'], theirs: ['blocks/a/note'], both: [] });
  });

  it('shows all three where both changed the same', () =>
    expect(
      merged(edit(change('a', { cue: 'Slow.' })), edit(change('a', { cue: 'Soft.' }))).conflicts,
    ).toEqual([{ path: 'blocks/a/cue', origin: 'Reach.', mine: 'Slow.', theirs: 'Soft.' }]));

  it('watches for what either put in and for nothing that either took out', () => {
    const watched = (mine: string[], theirs: string[]): string[] | undefined =>
      merged(
        edit(change('e', { watchFor: mine })),
        edit(change('e', { watchFor: theirs })),
      ).plan.body.blocks.at(-1)?.watchFor;
    expect(watched(['wrist', 'tailing-loop'], ['late-stop', 'wrist'])).toEqual([
      'wrist',
      'late-stop',
      'tailing-loop',
    ]);
    expect(watched([], ['wrist', 'late-stop'])).toEqual(['late-stop']);
  });

  it('brings a rig back that a block of the other side needs', () => {
    const { plan } = merged(without('r2'), edit(change('a', { rigId: 'r2' })));
    expect(plan.body.rigs.map(({ id }) => id)).toEqual(['r1', 'r2']);
    expect(merged(without('r2'), titled('Meadow')).plan.body.rigs.map(({ id }) => id)).toEqual(['r1']);
  });

  it('takes parts of what one side did, and leaves the others', () => {
    const theirs = edit(change('a', { cue: 'Soft.' }), change('b', { cue: 'Far.' }));
    const { plan } = merged(nothing, theirs, { 'blocks/b': 'origin' });
    expect(plan.body.blocks.slice(0, 2).map(({ cue }) => cue)).toEqual(['Soft.', 'Reach.']);
  });
});

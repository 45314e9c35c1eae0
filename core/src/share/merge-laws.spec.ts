import { shareLane, endOf } from '../plan/timing';
import { seededRandom } from '../random';
import { changedPlan, randomPlan } from '../testing/shared-plans';
import { canonicalText, type SharedPlan } from './canonical';
import { type MergeChoices, mergePlans } from './merge';

/** Plans that come from one, each changed a little. */
const TRIPLES = Array.from({ length: 1000 }, (_, i): [SharedPlan, SharedPlan, SharedPlan] => {
  const random = seededRandom(`merge ${i}`);
  const origin = randomPlan(random);
  return [origin, changedPlan(origin, random, 'm'), changedPlan(origin, random, 't')];
});
const MERGED = TRIPLES.map(([origin, mine, theirs]) => mergePlans(origin, mine, theirs));
const idsOf = ({ body }: SharedPlan): string[] => body.blocks.map(({ id }) => id);

describe('merging', () => {
  it('of nothing changes nothing', () => {
    for (const [origin, mine] of TRIPLES) {
      expect(mergePlans(origin, origin, origin)).toMatchObject({ plan: origin, conflicts: [] });
      expect(mergePlans(origin, mine, mine)).toMatchObject({ plan: mine, conflicts: [] });
    }
  });

  it('takes the other side as it is where one changed nothing', () => {
    for (const [origin, mine, theirs] of TRIPLES) {
      expect(mergePlans(origin, mine, origin)).toMatchObject({ plan: mine, conflicts: [] });
      expect(mergePlans(origin, origin, theirs)).toMatchObject({ plan: theirs, conflicts: [] });
    }
  });

  it('is the same from either side, but for whose is whose', () => {
    for (const [i, [origin, mine, theirs]] of TRIPLES.entries()) {
      const [here, there] = [MERGED[i]!, mergePlans(origin, theirs, mine)];
      expect(canonicalText(there.plan)).toBe(canonicalText(here.plan));
      const byPath = (a: { path: string }, b: { path: string }): number => (a.path < b.path ? -1 : 1);
      const swapped = there.conflicts.map((one) => ({ ...one, mine: one.theirs, theirs: one.mine }));
      expect(swapped.sort(byPath)).toEqual(here.conflicts.toSorted(byPath));
      expect([there.from.theirs.toSorted(), there.from.mine.toSorted(), there.from.both.toSorted()]).toEqual([
        here.from.mine.toSorted(),
        here.from.theirs.toSorted(),
        here.from.both.toSorted(),
      ]);
    }
  });

  it('loses no block and doubles none', () => {
    for (const [i, [origin, mine, theirs]] of TRIPLES.entries()) {
      const { plan, conflicts } = MERGED[i]!;
      const [was, here, there, is] = [origin, mine, theirs, plan].map(idsOf) as [
        string[],
        string[],
        string[],
        string[],
      ];
      expect(new Set(is).size).toBe(is.length);
      const open = new Set(conflicts.map(({ path }) => path));
      for (const id of new Set([...was, ...here, ...there])) {
        const isGone = was.includes(id) && !(here.includes(id) && there.includes(id));
        expect(is.includes(id)).toBe(!isGone || open.has(`blocks/${id}`));
      }
    }
  });

  it('takes all of one side where that is chosen', () => {
    for (const [origin, mine, theirs] of TRIPLES) {
      expect(mergePlans(origin, mine, theirs, { '': 'mine' })).toMatchObject({ plan: mine, conflicts: [] });
      expect(mergePlans(origin, mine, theirs, { '': 'theirs' })).toMatchObject({
        plan: theirs,
        conflicts: [],
      });
    }
  });

  it('waits for nothing once all is chosen, and has what was chosen', () => {
    let seen = 0;
    TRIPLES.forEach(([origin, mine, theirs], i) => {
      const random = seededRandom(`choice ${i}`);
      const { conflicts } = MERGED[i]!;
      const choices: MergeChoices = Object.fromEntries(
        conflicts.map(({ path }) => [path, random() < 0.5 ? 'mine' : 'theirs'] as const),
      );
      const chosen = mergePlans(origin, mine, theirs, choices);
      expect(chosen.conflicts).toEqual([]);
      for (const { path, ...sides } of conflicts) {
        const [kind, id, field] = path.split('/');
        const value = sides[choices[path]!];
        const block = chosen.plan.body.blocks.find((one) => one.id === id);
        // When a block begins may have been pushed on by what is there now.
        if (kind === 'blocks' && field === undefined) expect(block !== undefined).toBe(value !== undefined);
        else if (kind === 'blocks' && field !== 'startMin')
          expect(block?.[field as keyof typeof block]).toEqual(value);
        else if (kind === 'title') expect(chosen.plan.title).toBe(value);
        seen += 1;
      }
    });
    expect(seen).toBeGreaterThan(300);
  });

  it('leaves nobody in two places, no block without its rig, and no rig without its parts', () => {
    for (const { plan } of MERGED) {
      const { blocks, rigs } = plan.body;
      for (const block of blocks) {
        expect(block.rigId === null || rigs.some(({ id }) => id === block.rigId)).toBe(true);
        for (const other of blocks)
          if (other !== block && shareLane(block, other) && other.startMin >= block.startMin)
            expect(other.startMin).toBeGreaterThanOrEqual(endOf(block));
      }
      for (const { rig } of rigs)
        for (const part of [...rig.sections, ...rig.fittings, ...rig.flies])
          expect(Object.keys(part).length).toBeGreaterThan(3);
    }
  });
});

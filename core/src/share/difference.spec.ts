import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { applyEdit, blockFromDrill, emptyPlan, type PlanEdit } from '../plan';
import { seededRandom } from '../random';
import { buildRig } from '../rig';
import { changedPlan, randomPlan } from '../testing/shared-plans';
import { canonicalText, type SharedPlan } from './canonical';
import { planDifferences } from './difference';

const block = (id: string, drill: string, startMin: number, durationMin: number) => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), id, startMin),
  durationMin,
});
const edited = ({ title, body }: SharedPlan, ...edits: PlanEdit[]): SharedPlan => ({
  title,
  body: applyEdit(SHIPPED, body, { kind: 'all', edits }),
});
const rig = { id: 'r1', name: 'Nymphs', rig: buildRig('indicator-nymph') };
const PLAN = edited(
  { title: 'Grass', body: { ...emptyPlan(), rigs: [rig] } },
  ...[block('a', 'hats-and-glasses', 0, 20), block('b', 'hoops', 20, 20), block('c', 'hoops', 40, 20)].map(
    (one): PlanEdit => ({ kind: 'add', block: one }),
  ),
);
const told = (after: SharedPlan): string[] =>
  planDifferences(PLAN, after).map((one) => {
    if (one.of === 'block')
      return `${one.change} ${one.block.id} ${one.byMin} ${one.fields.map(({ field }) => field).join()}`.trim();
    if (one.of === 'rig')
      return `${one.change} ${one.name} ${one.fields.map(({ field }) => field).join()}`.trim();
    return one.of === 'carried' ? `${one.change} ${one.list} ${one.name}` : one.path;
  });

describe('what differs between two states of a plan', () => {
  it('is nothing between a plan and itself', () => expect(told(PLAN)).toEqual([]));

  it('tells a block that grew from those that it pushed', () =>
    expect(told(edited(PLAN, { kind: 'resize', blockId: 'a', durationMin: 30 }))).toEqual([
      'changes a 0 durationMin',
      'later b 10',
      'later c 10',
    ]));

  it('tells the block that was moved past others, and no other', () =>
    expect(told(edited(PLAN, { kind: 'move', blockId: 'a', startMin: 60, lane: null }))).toEqual([
      'moves a 60',
    ]));

  it('tells what comes and goes with what it brings of what is taught', () =>
    expect(
      told(
        edited(
          PLAN,
          { kind: 'remove', blockId: 'c' },
          { kind: 'add', block: block('n', 'wet-hands-net', 40, 10) },
        ),
      ).slice(0, 3),
    ).toEqual(['goes c 0', 'comes n 0', expect.stringMatching(/^comes skills/)]));

  it('goes into a rig by part', () => {
    const [first, ...others] = rig.rig.sections;
    const longer = { ...rig, rig: { ...rig.rig, sections: [{ ...first!, lengthM: 2 }, ...others] } };
    const after = { ...PLAN, body: { ...PLAN.body, rigs: [longer] } };
    expect(told(after)).toEqual([`changes Nymphs sections/${first!.id}/lengthM`]);
    expect(planDifferences(PLAN, after)[0]).toMatchObject({
      fields: [{ before: first!.lengthM, after: 2 }],
    });
    expect(told({ ...PLAN, body: { ...PLAN.body, rigs: [] } })).toEqual(['goes Nymphs']);
  });

  it('has facts first and plan B after the blocks', () =>
    expect(
      told({
        title: 'Meadow',
        body: { ...PLAN.body, aim: 'Six.', planB: { trigger: 'wind', fromMin: 30, blocks: [] } },
      }),
    ).toEqual(['title', 'aim', 'planB']));

  it('is there if and only if the canonical text differs, and comes back the other way', () => {
    for (let i = 0; i < 200; i++) {
      const random = seededRandom(`difference ${i}`);
      const before = randomPlan(random);
      const after = changedPlan(before, random, 'm');
      const [there, back] = [planDifferences(before, after), planDifferences(after, before)];
      expect(there.length > 0).toBe(canonicalText(before) !== canonicalText(after));
      expect(back.map(({ path }) => path).toSorted()).toEqual(there.map(({ path }) => path).toSorted());
    }
  });
});

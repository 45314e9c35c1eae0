import { emptyPlan, plainBlock, type PlanBody } from '../plan';
import type { SharedPlan } from './canonical';
import { comingParts, mergeQuestions } from './coming';
import { mergePlans } from './merge';

const ids = ['a', 'b', 'c'].map((letter) => `00000000-0000-4000-8000-00000000000${letter}`);
const [a, b, c] = ids as [string, string, string];
const plan = (change: (body: PlanBody) => PlanBody = (body) => body): SharedPlan => ({
  title: 'Plan',
  body: change({
    ...emptyPlan(),
    blocks: [
      plainBlock('break', 'One', a, 0, 10),
      plainBlock('break', 'Two', b, 10, 10),
      plainBlock('break', 'Three', c, 20, 10),
    ],
  }),
});
const withBlock = (id: string, change: object) =>
  plan((body) => ({
    ...body,
    blocks: body.blocks.map((block) => (block.id === id ? { ...block, ...change } : block)),
  }));

describe('what comes from another plan', () => {
  it('is each thing that the other changed, and not what it only pushed', () => {
    const theirs = plan((body) => ({
      ...body,
      aim: 'theirs',
      blocks: body.blocks.map((block) =>
        block.id === a ? { ...block, durationMin: 20 } : { ...block, startMin: block.startMin + 10 },
      ),
    }));
    expect(comingParts(plan(), plan(), theirs).map(({ path }) => path)).toEqual(['aim', `blocks/${a}`]);
  });

  it('is not what is so here already, nor what only this one changed', () => {
    const both = withBlock(a, { cue: 'same' });
    expect(comingParts(plan(), both, both)).toEqual([]);
    expect(comingParts(plan(), withBlock(b, { cue: 'mine' }), plan())).toEqual([]);
  });

  it('asks once for what several do alike', () => {
    const of = (cue: string) =>
      plan((body) => ({ ...body, blocks: body.blocks.map((block) => ({ ...block, cue })) }));
    const { conflicts } = mergePlans(of('was'), of('mine'), of('theirs'));
    expect(conflicts).toHaveLength(3);
    const rowOf = (id: string): string => (id === c ? 'two' : 'one');
    expect(mergeQuestions(conflicts, rowOf).map(({ paths }) => paths)).toEqual([
      [`blocks/${a}/cue`, `blocks/${b}/cue`],
      [`blocks/${c}/cue`],
    ]);
  });

  it('asks apart for what differs, though it is of one line', () => {
    const of = (cue: string) =>
      plan((body) => ({
        ...body,
        blocks: body.blocks.map((block) => ({ ...block, cue: block.id === a ? `${cue} a` : cue })),
      }));
    const { conflicts } = mergePlans(of('was'), of('mine'), of('theirs'));
    expect(mergeQuestions(conflicts, () => 'one').map(({ paths }) => paths.length)).toEqual([1, 2]);
  });
});

import { seededRandom } from '../random';
import { changedPlan, randomPlan } from '../testing/shared-plans';
import { canonicalJson, canonicalText, isSame, planHash } from './canonical';
import { cellsOf, planOf } from './cells';

const PLANS = Array.from({ length: 300 }, (_, i) => {
  const random = seededRandom(`canonical ${i}`);
  return changedPlan(randomPlan(random), random, 'm');
});

describe('the canonical form', () => {
  it('is that of RFC 8785', () =>
    expect(canonicalJson({ b: [1e21, 0.000001, -0, 'é\n'], a: null, c: undefined })).toBe(
      '{"a":null,"b":[1e+21,0.000001,0,"é\\n"]}',
    ));

  it('does not depend on the order in which things lie, nor on what is left out', () => {
    for (const plan of PLANS) {
      const { blocks, rigs } = plan.body;
      const turned = {
        title: plan.title,
        body: {
          ...plan.body,
          blocks: blocks.toReversed(),
          rigs: rigs.toReversed(),
          season: plan.body.season,
        },
      };
      expect(canonicalText(turned)).toBe(canonicalText(plan));
      expect(planHash({ ...turned, body: { ...turned.body, planB: plan.body.planB } })).toBe(planHash(plan));
    }
  });

  it('has another hash where anything differs', () => {
    const [plan] = PLANS as [(typeof PLANS)[number]];
    expect(planHash(plan)).toMatch(/^[0-9a-f]{64}$/);
    expect(planHash({ ...plan, title: 'Other' })).not.toBe(planHash(plan));
    expect(planHash({ ...plan, body: { ...plan.body, lengthMin: plan.body.lengthMin + 5 } })).not.toBe(
      planHash(plan),
    );
  });

  it('tells what is left out from what is nothing', () => {
    expect(isSame({ a: undefined }, {})).toBe(true);
    expect(isSame({ a: null }, {})).toBe(false);
    expect(isSame(null, undefined)).toBe(false);
  });
});

describe('a plan taken apart', () => {
  it('is put together as it was, with rigs by part or whole', () => {
    for (const plan of PLANS)
      for (const isWhole of [true, false])
        expect(canonicalText(planOf(cellsOf(plan, () => isWhole)))).toBe(canonicalText(plan));
  });
});

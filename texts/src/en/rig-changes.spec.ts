import { buildRig, emptyPlan, planDifferences, type Rig, type SharedPlan } from '@doceo/core';
import { NOT_THERE, planDifferenceInWords } from './plan-changes';

const RIG = buildRig('indicator-nymph');
const plan = (rig: Rig): SharedPlan => ({
  title: 'Plan',
  body: { ...emptyPlan(), rigs: [{ id: '00000000-0000-4000-8000-000000000001', name: 'Two nymphs', rig }] },
});
const told = (after: Rig): string[] =>
  planDifferences(plan(RIG), plan(after)).flatMap((one) =>
    planDifferenceInWords(one, plan(RIG), plan(after), 'metric').map(
      ({ what, before, after: now }) => `${what}: ${before} -> ${now}`,
    ),
  );
const last = RIG.sections.at(-1)!;

describe('what was changed of a rig', () => {
  it('is told part by part, each with its unit', () => {
    const longer = {
      ...RIG,
      sections: RIG.sections.map((one) => (one === last ? { ...one, lengthM: 0.55 } : one)),
    };
    expect(told(longer)).toEqual([`Rig “Two nymphs”, ${last.name}, length: 25 cm -> 55 cm`]);
  });

  it('says thickness as tippet, and hooks by their size', () => {
    const [fly] = RIG.flies;
    const other = {
      ...RIG,
      sections: RIG.sections.map((one) => (one === last ? { ...one, diameterM: 0.000102 } : one)),
      flies: RIG.flies.map((one) => (one === fly ? { ...one, hookSize: 18 } : one)),
    };
    const lines = told(other);
    expect(lines[0]).toMatch(/thickness: .*X.* -> 7X/);
    expect(lines[1]).toBe(`Rig “Two nymphs”, ${fly!.name}, hook: #${fly!.hookSize} -> #18`);
  });

  it('says where an indicator sits, and what a shot weighs', () => {
    const moved = {
      ...RIG,
      fittings: RIG.fittings.map((one) =>
        one.kind === 'shot' ? { ...one, massKg: 0.0004 } : { ...one, aboveFlyM: 1 },
      ),
    };
    const lines = told(moved).join('\n');
    expect(lines).toMatch(/indicator, above the fly: .* -> 1\.00 m/);
    expect(lines).toMatch(/split shot, weight: .* -> 0\.40 g/);
  });

  it('tells one that came as there', () => {
    const [one] = planDifferences({ title: 'Plan', body: emptyPlan() }, plan(RIG));
    expect(planDifferenceInWords(one!, plan(RIG), plan(RIG), 'metric')).toEqual([
      { what: 'Rig “Two nymphs”', before: NOT_THERE, after: 'there' },
    ]);
  });
});

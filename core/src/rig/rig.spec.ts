import fc from 'fast-check';
import { leaderLength, sectionAt, spans } from './leader/leader-geometry';
import { rigEdits } from './leader/edits';
import { rigFigures } from './figures/figures';
import { indicatorDistance } from './sink/indicator-depth';
import { KNOTS, knotsFor } from './tackle/knots';
import { materialStrength } from './tackle/materials';
import { MATERIAL_IDS } from './tackle/ids';
import { netReach } from './strength/net-reach';
import type { Rig } from './rig';
import { rigProblems } from './problems';
import { linksTo, weakestLink } from './strength/strength';
import { buildRig } from './templates';
import { CARD } from '../testing/rule-card';
import { diameterOfX, startingX, xOfDiameter } from './tackle/x-size';

const rig = buildRig('indicator-nymph');
const context = (maxHooks = 2) => ({
  water: { name: 'River Ostrel', rules: { ...CARD, maxHooks } },
  system: 'metric' as const,
});
const rulesOf = (of: Rig, maxHooks = 2): string[] =>
  rigProblems(of, context(maxHooks)).map(({ rule }) => rule);

const anyRig = fc
  .record({
    x: fc.integer({ min: 2, max: 8 }),
    depth: fc.double({ min: 0.3, max: 4, noNaN: true }),
    lengths: fc.array(fc.double({ min: 0.05, max: 3, noNaN: true }), { minLength: 5, maxLength: 5 }),
    materials: fc.array(fc.constantFrom(...MATERIAL_IDS), { minLength: 5, maxLength: 5 }),
    knots: fc.array(fc.constantFrom(...knotsFor('line-to-line').map(({ id }) => id)), {
      minLength: 5,
      maxLength: 5,
    }),
  })
  .map(({ x, depth, lengths, materials, knots }) => {
    const base = buildRig('indicator-nymph', { tippetX: x, waterDepthM: depth });
    return {
      ...base,
      sections: base.sections.map((section, i) => ({
        ...section,
        lengthM: lengths[i] as number,
        material: materials[i] as (typeof MATERIAL_IDS)[number],
        joint: knots[i] as (typeof section)['joint'],
      })),
    };
  });

describe('X sizes', () => {
  it.each([
    [0, 0.2794],
    [3, 0.2032],
    [5, 0.1524],
    [8, 0.0762],
  ])('%iX is %f mm', (x, mm) => {
    expect(diameterOfX(x) * 1000).toBeCloseTo(mm, 6);
    expect(xOfDiameter(diameterOfX(x))).toBe(x);
  });

  it('refuses what is no X size', () => {
    for (const x of [-1, 9, 2.5, Number.NaN])
      expect(() => diameterOfX(x)).toThrow(expect.objectContaining({ code: 'out-of-range' }));
    expect(xOfDiameter(0.00048)).toBeNull();
  });

  it.each([
    [12, 4],
    [14, 5],
    [16, 5],
    [18, 6],
    [22, 7],
    [2, 1],
  ])('hook %i starts with %iX', (hook, x) => expect(startingX(hook)).toBe(x));
});

describe('chain', () => {
  it('is as long as its sections together', () => {
    expect(leaderLength(rig)).toBeCloseTo(0.9 + 0.6 + 1 + 0.4 + 0.25, 9);
    fc.assert(
      fc.property(
        anyRig,
        (any) =>
          Math.abs(leaderLength(any) - any.sections.reduce((sum, { lengthM }) => sum + lengthM, 0)) < 1e-9,
      ),
    );
  });

  it('measures from the point fly', () => {
    expect(spans(rig).at(-1)?.topM).toBeCloseTo(0.25, 9);
    expect(spans(rig).at(-1)?.bottomM).toBeCloseTo(0, 9);
    expect(sectionAt(rig, 0.1).id).toBe('tippet-lower');
    expect(sectionAt(rig, 3).id).toBe('butt');
  });
});

describe('strength', () => {
  it('is stress times section area', () => {
    expect(materialStrength('fluorocarbon', 0.0001524)).toBeCloseTo(
      0.95e9 * (Math.PI / 4) * 0.0001524 ** 2,
      9,
    );
    expect(() => materialStrength('braid', 0)).toThrow(expect.objectContaining({ code: 'out-of-range' }));
  });

  it('finds the weakest link of 500 random rigs as brute force does', () => {
    fc.assert(
      fc.property(anyRig, (any) => {
        for (const fly of any.flies) {
          const carriers = fly.at.kind === 'point' ? any.sections : any.sections.slice(0, -1);
          const strengths = carriers.map(({ material, diameterM }) => materialStrength(material, diameterM));
          const knots = carriers.map(
            ({ joint }, i) =>
              Math.min(strengths[i] as number, strengths[i - 1] ?? Infinity) * KNOTS[joint].share,
          );
          const end =
            fly.at.kind === 'tag'
              ? materialStrength(fly.at.material, fly.at.diameterM)
              : (strengths.at(-1) as number);
          const least = Math.min(...strengths, ...knots, end, end * KNOTS[fly.knot].share);
          if (Math.abs((weakestLink(any, fly)?.holdsN ?? -1) - least) > 1e-9) return false;
        }
        return true;
      }),
      { numRuns: 500, seed: 7 },
    );
  });

  it('breaks the shipped rig at the point fly’s knot and loses one fly', () => {
    const link = weakestLink(rig, rig.flies[1] as Rig['flies'][number]);
    expect(link).toMatchObject({ id: 'point/knot', expendable: true, lostFlies: 1 });
    expect(linksTo(rig, rig.flies[0] as Rig['flies'][number]).some(({ id }) => id === 'tippet-lower')).toBe(
      false,
    );
  });
});

describe('indicator', () => {
  it.each([
    ['one-and-half', 1.1, 1.65],
    ['double', 1.1, 2.2],
    ['suspended', 1.1, 0.95],
  ] as const)('%s at %f m sits %f m above the fly', (school, depth, metres) => {
    expect(indicatorDistance(school, depth)).toBeCloseTo(metres, 9);
    expect(rigEdits.indicatorSchool(rigEdits.depth(rig, depth), school).fittings[0]?.aboveFlyM).toBeCloseTo(
      metres,
      9,
    );
  });

  it('stays on the leader however far it is slid', () => {
    fc.assert(
      fc.property(
        anyRig,
        fc.double({ min: -5, max: 50, noNaN: true }),
        (any, to) =>
          (rigEdits.slide(any, 'indicator', to).fittings[0]?.aboveFlyM ?? 99) <=
          Math.max(0.1, leaderLength(any) - 0.1) + 1e-9,
      ),
    );
  });
});

describe('net reach', () => {
  it('is set by a fixed indicator and freed by one that slips', () => {
    expect(netReach(rig).shortestM).toBeCloseTo(1.65, 9);
    expect(netReach(rig)).toMatchObject({
      reachM: 2.74 + 0.6 + 0.45,
      stoppedBy: { kind: 'indicator', style: 'fixed' },
    });
    const slipping = rigEdits.indicatorStyle(rig, 'slip-release');
    expect(netReach(rigEdits.shotMass(slipping, 0))).toMatchObject({ shortestM: 0, stoppedBy: null });
  });

  it('is set by a shot too: it does not pass the tip guide', () => {
    const slipping = rigEdits.indicatorStyle(rig, 'slip-release');
    expect(netReach(slipping)).toMatchObject({ shortestM: 0.27, stoppedBy: { kind: 'shot' } });
  });

  it('is set by a ring and by knots thicker than the tip guide of the rod', () => {
    const bare = rigEdits.shotMass(rigEdits.indicatorStyle(rig, 'slip-release'), 0);
    const ringed = rigEdits.section(bare, 'tippet', { joint: 'tippet-ring' });
    expect(netReach(ringed).stoppedBy).toBeNull();
    expect(netReach(rigEdits.tipGuide(ringed, 0.0025)).stoppedBy).toEqual({
      kind: 'knot',
      knot: 'tippet-ring',
    });
    expect(netReach(rigEdits.tipGuide(ringed, 0.0025)).shortestM).toBeCloseTo(0.65, 9);
    // The knot in the 0.48 mm butt is about 1.9 mm thick.
    expect(netReach(rigEdits.tipGuide(bare, 0.0018))).toMatchObject({ stoppedBy: { knot: 'double-uni' } });
    expect(netReach(rigEdits.rod(rigEdits.tipGuide(bare, 0.0018), 3)).stoppedBy).toEqual({
      kind: 'knot',
      knot: 'double-uni',
    });
  });
});

describe('figures', () => {
  it('are each there once, finite, and sure in one of four ways', () => {
    fc.assert(
      fc.property(anyRig, (any) => {
        const figures = rigFigures(any, 2);
        expect(new Set(figures.map(({ id }) => id)).size).toBe(figures.length);
        for (const { value, certainty } of figures) {
          expect(Number.isFinite(value)).toBe(true);
          expect(['measured', 'computed', 'rule-of-thumb', 'estimate']).toContain(certainty);
        }
      }),
    );
  });
});

describe('problems', () => {
  it('finds only the tangle risk, the heavy loop and barbs nobody spoke of in the shipped rig', () =>
    expect(rulesOf(rig)).toEqual(['barbs', 'tangle-risk', 'open-loop']));

  const thin = (id: string, diameterM: number): Rig => rigEdits.section(rig, id, { diameterM });
  const cases: [string, Rig, number][] = [
    ['breaks-above-tippet', thin('middle', 0.0001), 2],
    [
      'net-too-far',
      {
        ...rigEdits.indicatorSchool(
          rigEdits.section(rigEdits.depth(rig, 3), 'upper', { lengthM: 3.5 }),
          'one-and-half',
        ),
      },
      2,
    ],
    ['hooks-over-limit', rig, 1],
    ['lead-not-allowed', rigEdits.shotMetal(rig, 'lead'), 2],
    ['knot-unsuited', rigEdits.section(rig, 'upper', { joint: 'blood' }), 2],
    ['thin-to-fly-line', thin('butt', 0.0002), 2],
    [
      'dropper-too-thick',
      rigEdits.fly(rig, 'dropper', {
        at: {
          kind: 'tag',
          sectionId: 'tippet-lower',
          lengthM: 0.1,
          diameterM: 0.0003,
          material: 'limp-nylon',
        },
      }),
      2,
    ],
    ['leader-too-short', rigEdits.depth(rig, 2.4), 2],
    ['indicator-off-school', rigEdits.slide(rig, 'indicator', 1), 2],
    ['tangle-risk', rig, 2],
  ];

  it.each(cases)('%s is found, and each of its fixes mends it', (rule, bad, maxHooks) => {
    const found = rigProblems(bad, context(maxHooks)).filter((problem) => problem.rule === rule);
    expect(found.length).toBeGreaterThan(0);
    expect(found[0]?.fixes.length).toBeGreaterThan(0);
    if (rule === 'breaks-above-tippet') return;
    for (const fix of found[0]?.fixes ?? []) expect(rulesOf(fix.change, maxHooks)).not.toContain(rule);
  });

  it('asks for a point fly', () => expect(rulesOf({ ...rig, flies: [] })).toContain('no-point-fly'));
});

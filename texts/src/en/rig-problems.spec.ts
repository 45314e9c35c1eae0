import {
  buildRig,
  type KnotMisfit,
  type Rig,
  rigEdits,
  type RigProblem,
  rigProblems,
  TEMPLATES,
  type UnitSystem,
} from '@doceo/core';
import { type ProblemInWords, rigProblemInWords } from '..';

const told = (rig: Rig, rule: RigProblem['rule'], units: UnitSystem = 'metric'): ProblemInWords<Rig> => {
  const problem = rigProblems(rig, { water: null }).find((one) => one.rule === rule);
  if (!problem) throw new Error(`nothing of ${rule}`);
  return rigProblemInWords(problem, units);
};

describe('a problem of a rig in words', () => {
  it('names the place, and how much it is', () => {
    const broken = rigEdits.section(buildRig('margin-single'), 'step', { diameterM: 0.0002 });
    const { title, evidence, fixes } = told(broken, 'hinge-by-mistake');
    expect(title).toBe('Hinge above the step');
    expect(evidence[0]?.text).toMatch(/^\d+\.\d : 1, a hinge from 5$/);
    expect(fixes.map(({ label }) => label)).toEqual(['It is meant']);
  });

  it('says what keeps people unhurt', () =>
    expect(told(buildRig('tight-line'), 'open-loop').reason).toContain('hats and glasses on everybody near'));

  it('speaks the units of who reads it', () => {
    const short = { ...buildRig('indicator-nymph', { waterDepthM: 1 }), waterDepthM: 3 };
    expect(told(short, 'leader-too-short').reason).toContain(
      'The school asks for 4.50 m below the indicator',
    );
    expect(told(short, 'leader-too-short', 'imperial').reason).toContain('asks for 14 ft 9 in below');
    expect(told(short, 'leader-too-short').fixes.map(({ label }) => label)).toEqual(['Lengthen the tippet']);
  });

  it('keeps rule, place, level and mended rig', () => {
    const rig = buildRig('indicator-nymph');
    for (const problem of rigProblems(rig, { water: null })) {
      const { id, rule, level, fixes } = rigProblemInWords(problem, 'metric');
      expect({ id, rule, level }).toEqual({ id: problem.id, rule: problem.rule, level: problem.level });
      expect(fixes.map(({ change }) => change)).toEqual(problem.fixes.map(({ change }) => change));
    }
  });

  it('has no gap, whatever rig is told', () => {
    for (const { id } of Object.values(TEMPLATES))
      for (const depthM of [0.2, 1, 4])
        for (const problem of rigProblems({ ...buildRig(id), waterDepthM: depthM }, { water: null }))
          expect(JSON.stringify(rigProblemInWords(problem, 'imperial'))).not.toMatch(
            /undefined|NaN|\[object/,
          );
  });
});

describe('why a knot does not suit', () => {
  const tippet = {
    part: { kind: 'section', name: 'tippet' } as const,
    diameterM: 0.0002,
    material: 'braid' as const,
  };
  const butt = {
    part: { kind: 'section', name: 'butt' } as const,
    diameterM: 0.00043,
    material: 'stiff-mono' as const,
  };
  const reason = (misfit: KnotMisfit): string =>
    rigProblemInWords(
      {
        id: 'knot-unsuited/tippet',
        rule: 'knot-unsuited',
        level: 'check',
        facts: { knot: 'blood', misfit, strands: [tippet, butt] },
        fixes: [],
      },
      'metric',
    ).reason;

  it.each<[KnotMisfit, string]>([
    [{ kind: 'other-use', use: 'line-to-bend' }, 'It is not a knot to join a line to a fly.'],
    [{ kind: 'slips', strand: tippet }, 'It slips in braid (tippet).'],
    [
      { kind: 'outside-range', strand: butt, thinnestM: 0.0001, thickestM: 0.0004 },
      'It seats well from 0.10 mm to 0.40 mm; butt is 0.43 mm.',
    ],
    [
      { kind: 'diameters-differ', upper: butt, lower: tippet, ratio: 2.15, maxRatio: 1.5 },
      'Butt and tippet differ 2.1-fold in diameter; this knot slips above 1.5.',
    ],
    [
      { kind: 'stiffness-differs', upper: butt, lower: tippet },
      'Stiff mono and braid are too unlike in stiffness: the wraps lie unevenly.',
    ],
  ])('%j', (misfit, words) => expect(reason(misfit)).toBe(words));
});

import fc from 'fast-check';
import { flyAttachment, leaderLength, spans } from './leader-geometry';
import { rigEdits } from './edits';
import { reshape } from './reshape';
import type { Rig, Section } from '../rig';
import { MAX_SECTIONS } from './section-edits';
import { type KnotMisfit, rigProblems } from '../problems';
import { buildRig, TEMPLATES } from '../templates';
import { FALLS_SHORT, turnover, TURNS_OVER } from '../cast/turnover';

const anyRig = fc.constantFrom(...Object.values(TEMPLATES)).map(({ id }) => buildRig(id));
const sectionOf = (rig: Rig) => fc.constantFrom(...rig.sections.map(({ id }) => id));
const withSection = anyRig.chain((rig) => fc.tuple(fc.constant(rig), sectionOf(rig)));
const joint = (rig: Rig, id: string): number =>
  spans(rig).find(({ section }) => section.id === id)?.topM ?? -1;
const misfits = (rig: Rig): KnotMisfit[] =>
  rigProblems(rig, { water: null }).flatMap((problem) =>
    problem.rule === 'knot-unsuited' ? [problem.facts.misfit] : [],
  );

describe('a section more', () => {
  it('hangs below the one named, with a free id, thinner than what holds it', () => {
    fc.assert(
      fc.property(withSection, ([rig, id]) => {
        const longer = rigEdits.addSection(rig, id);
        const at = longer.sections.findIndex((section) => section.id === id) + 1;
        const [above, added] = longer.sections.slice(at - 1, at + 1) as [Section, Section];
        expect(rig.sections.map((section) => section.id)).not.toContain(added.id);
        expect(added.diameterM).toBeLessThanOrEqual(Math.max(above.diameterM, 0.0001) + 1e-12);
        expect(leaderLength(longer)).toBeCloseTo(leaderLength(rig) + 0.4, 9);
      }),
    );
  });

  it('goes on at the fly line too', () => {
    const rig = rigEdits.addSection(buildRig('own'), null);
    expect(rig.sections.map(({ name }) => name)).toEqual(['step', 'butt', 'tippet']);
    expect(rig.sections[0]?.joint).toBe('loop-to-loop');
    expect(misfits(rig)).toEqual([]);
  });

  it('is refused when the leader is full', () => {
    let rig = buildRig('own');
    for (let i = 0; i < 40; i += 1) rig = rigEdits.addSection(rig, rig.sections.at(-1)?.id ?? null);
    expect(rig.sections).toHaveLength(MAX_SECTIONS);
  });

  it('makes it a rig of one’s own, which no parameter rebuilds', () => {
    const rig = rigEdits.addSection(buildRig('dry-dropper'), 'tippet');
    const deeper = reshape(rig, { waterDepthM: 2, tippetX: 7 });
    expect(deeper.sections).toEqual(rig.sections);
    expect(deeper).toMatchObject({ waterDepthM: 2, byHand: true });
    expect(rigEdits.depth(rig, 2).sections).toHaveLength(rig.sections.length);
  });
});

describe('a section less', () => {
  it('leaves every fly on the leader, and fittings on it', () => {
    fc.assert(
      fc.property(withSection, ([rig, id]) => {
        const shorter = rigEdits.removeSection(rig, id);
        expect(shorter.flies).toHaveLength(rig.flies.length);
        for (const fly of shorter.flies) expect(flyAttachment(shorter, fly)).toBeGreaterThanOrEqual(0);
        for (const { aboveFlyM } of shorter.fittings)
          expect(aboveFlyM).toBeLessThanOrEqual(leaderLength(shorter) + 1e-9);
        expect(shorter.sections).toHaveLength(Math.max(1, rig.sections.length - 1));
      }),
    );
  });

  it('undoes one more, but for its knots', () => {
    fc.assert(
      fc.property(withSection, ([rig, id]) => {
        const longer = rigEdits.addSection(rig, id);
        const added = longer.sections.find((section) => !rig.sections.some((old) => old.id === section.id));
        const back = rigEdits.removeSection(longer, added?.id ?? '');
        const lengths = ({ sections }: Rig) => sections.map((one) => [one.id, one.lengthM, one.diameterM]);
        expect(lengths(back)).toEqual(lengths(rig));
      }),
    );
  });

  it('the last one stays', () => {
    const rig = rigEdits.removeSection(buildRig('own'), 'butt');
    expect(rig.sections).toHaveLength(1);
    expect(rigEdits.removeSection(rig, 'tippet')).toBe(rig);
    expect(rig.sections[0]?.joint).toBe('loop-to-loop');
  });
});

describe('a knot that slides', () => {
  it('gives one side what it takes from the other', () => {
    fc.assert(
      fc.property(withSection, fc.double({ min: 0, max: 6, noNaN: true }), ([rig, id], aboveFlyM) => {
        const slid = rigEdits.moveJoint(rig, id, aboveFlyM);
        for (const { lengthM } of slid.sections) expect(lengthM).toBeGreaterThan(0.019);
        if (rig.sections[0]?.id !== id) expect(leaderLength(slid)).toBeCloseTo(leaderLength(rig), 9);
      }),
    );
  });

  it('goes where it is put, as far as its neighbours let it', () => {
    const rig = buildRig('own');
    expect(joint(rigEdits.moveJoint(rig, 'tippet', 0.9), 'tippet')).toBeCloseTo(0.9, 9);
    expect(joint(rigEdits.moveJoint(rig, 'tippet', 9), 'tippet')).toBeCloseTo(1.78, 9);
    expect(leaderLength(rigEdits.moveJoint(rig, 'butt', 2.5))).toBeCloseTo(2.5, 9);
  });
});

describe('a point fly that is pulled', () => {
  it('takes the last section with it and leaves indicator and shot on the leader', () => {
    const rig = buildRig('indicator-nymph');
    const longer = rigEdits.moveTip(rig, (rig.sections.at(-1)?.lengthM ?? 0) + 0.1);
    expect(leaderLength(longer)).toBeCloseTo(leaderLength(rig) + 0.1, 9);
    longer.fittings.forEach((fitting, i) =>
      expect(fitting.aboveFlyM).toBeCloseTo((rig.fittings[i]?.aboveFlyM ?? 0) + 0.1, 9),
    );
  });

  it('keeps a little line, and a tag keeps within a metre', () => {
    expect(rigEdits.moveTip(buildRig('own'), -3).sections.at(-1)?.lengthM).toBe(0.02);
    const team = buildRig('tight-line', { flyCount: 2 });
    const tag = team.flies.find(({ at }) => at.kind === 'tag');
    const at = (lengthM: number) =>
      rigEdits.tagLength(team, tag?.id ?? '', lengthM).flies.find(({ id }) => id === tag?.id)?.at;
    expect(at(7)).toMatchObject({ lengthM: 1 });
    expect(at(0)).toMatchObject({ lengthM: 0.02 });
  });
});

describe('an indicator', () => {
  it('goes on and comes off', () => {
    const rig = rigEdits.indicator({ ...buildRig('own'), waterDepthM: 0.8 }, true);
    expect(rig.fittings).toMatchObject([{ kind: 'indicator', aboveFlyM: expect.closeTo(1.2, 2) }]);
    expect(rigEdits.indicator(rig, false).fittings).toEqual([]);
  });
});

describe('knots and what they are tied in', () => {
  const own = buildRig('own');
  const joined = (
    joint: Section['joint'],
    change: Partial<Section>,
    upper: Partial<Section> = {},
  ): KnotMisfit[] =>
    misfits(rigEdits.section(rigEdits.section(own, 'butt', upper), 'tippet', { joint, ...change }));

  it.each<[string, Section['joint'], Partial<Section>, object]>([
    [
      'a blood knot between thick and thin',
      'blood',
      { diameterM: 0.0002 },
      { kind: 'diameters-differ', ratio: expect.closeTo(2.16, 2) },
    ],
    [
      'a blood knot between stiff and limp',
      'blood',
      { diameterM: 0.0004, material: 'limp-nylon' },
      { kind: 'stiffness-differs' },
    ],
    [
      'a blood knot in braid',
      'blood',
      { diameterM: 0.0004, material: 'braid' },
      { kind: 'slips', strand: { part: { name: 'tippet' }, material: 'braid' } },
    ],
    ['a surgeon’s in thick line', 'double-surgeon', { diameterM: 0.0004 }, { kind: 'outside-range' }],
    ['a clinch between two lines', 'clinch', {}, { kind: 'other-use', use: 'line-to-line' }],
  ])('%s is a problem with a fix that holds', (_, joint, change, misfit) =>
    expect(joined(joint, change)[0]).toMatchObject(misfit),
  );

  it('a knot at the fly has its range too, and the fix mends it', () => {
    const rig = rigEdits.section(own, 'tippet', { diameterM: 0.0004, material: 'copolymer' });
    const problem = rigProblems(rig, { water: null }).find(({ id }) => id === 'knot-unsuited/point');
    expect(problem?.facts).toMatchObject({ misfit: { kind: 'outside-range' } });
    expect(misfits(problem?.fixes[0]?.change as Rig).map(({ kind }) => kind)).not.toContain('outside-range');
  });

  it('no template comes with a knot that does not suit', () => {
    for (const { id } of Object.values(TEMPLATES)) expect([id, misfits(buildRig(id))]).toEqual([id, []]);
  });
});

describe('turnover', () => {
  const ratio = (hookSize: number, diameterM = 0.000432): number => {
    const rig = buildRig('dry-fly');
    const flies = rig.flies.map((fly) => ({ ...fly, hookSize, dressing: 'hackle-full' as const }));
    return turnover({
      ...rig,
      flies,
      sections: rig.sections.map((one, i) => (i === 1 ? { ...one, diameterM } : one)),
    }).ratio;
  };

  it('falls with the fly and rises with the leader', () => {
    const bySize = [18, 14, 10, 6].map((size) => ratio(size));
    expect(bySize).toEqual([...bySize].sort((a, b) => b - a));
    expect(ratio(12, 0.0005)).toBeGreaterThan(ratio(12, 0.0003));
  });

  it('falls with a head wind, as the square of the air’s speed', () => {
    const rig = buildRig('dry-dropper');
    expect(turnover(rig, 10).ratio / turnover(rig).ratio).toBeCloseTo(0.25, 9);
  });

  it('a small dry lays out, a bushy one on a long leader into the wind does not', () => {
    expect(ratio(18)).toBeGreaterThan(TURNS_OVER);
    const bushy = buildRig('dry-fly');
    const large = {
      ...bushy,
      flies: bushy.flies.map((fly) => ({ ...fly, hookSize: 6, dressing: 'palmered' as const })),
    };
    expect(turnover(large, 8).ratio).toBeLessThan(FALLS_SHORT);
    expect(turnover(large, 8).verdict).toBe('heap');
  });
});

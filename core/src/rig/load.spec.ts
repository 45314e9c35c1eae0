import fc from 'fast-check';
import { GRAVITY } from '../units';
import { BEAD_DIAMETERS_M, beadMass, beadVolume } from './tackle/beads';
import { castingLoad } from './cast/casting-load';
import { classKit } from './figures/class-kit';
import { countdown, countdownTable } from './sink/countdown';
import { boughtLeaders } from './leader/bought-leader';
import { rigEdits } from './leader/edits';
import { cutList } from './leader/cut-list';
import { DRESSINGS, DRESSING_IDS } from './tackle/dressings';
import { dressAgainMin, floatMargin, flyLift } from './sink/float-margin';
import { flyMass, shotSubmergedN } from './tackle/fly-mass';
import { HOOK_SIZES, hookMass, hookOf, WIRE_IDS } from './tackle/hooks';
import { headMass, sinkRate } from './tackle/lines';
import { LINE_KINDS, type MaterialId } from './tackle/ids';
import { indicatorLift, indicatorMass } from './tackle/indicators';
import { bendingStiffness } from './tackle/materials';
import { type Measured, type MeasuredKind } from './measured/measured';
import { type FlyType, measuredKey } from './measured/measured-key';
import type { Fly, Rig } from './rig';
import { diameterOfX } from './tackle/x-size';
import { SHOT_MASSES_KG, shotDiameter } from './tackle/shot';
import { freeSink } from './sink/sink';
import { rigProblems } from './problems';
import { tangleRisk } from './cast/tangle';
import { HINGE_RATIO, taperOf } from './leader/taper';
import { buildRig } from './templates';

const fly = (change: Partial<Fly> = {}): Fly => ({
  id: 'f',
  name: 'fly',
  hookSize: 14,
  wire: 'standard',
  dressing: 'nymph',
  bead: 'none',
  beadDiameterM: 0,
  knot: 'improved-clinch',
  at: { kind: 'point' },
  ...change,
});
const reading = (kind: MeasuredKind, of: FlyType, value: number): Measured => ({
  kind,
  key: measuredKey.fly(of),
  value,
  readings: 1,
  on: '2026-05-02',
});
const rulesOf = (rig: Rig): string[] => rigProblems(rig, { water: null }).map(({ rule }) => rule);
const mg = (kg: number): number => Math.round(kg * 1e6);

describe('hooks, beads, shot', () => {
  it('get smaller with the size, heavier with the wire', () => {
    for (const [i, size] of HOOK_SIZES.entries()) {
      const smaller = HOOK_SIZES[i + 1];
      if (smaller) expect(hookMass(smaller)).toBeLessThan(hookMass(size));
      const [fine, standard, heavy] = WIRE_IDS.map((wire) => hookMass(size, wire));
      expect((fine as number) < (standard as number) && (standard as number) < (heavy as number)).toBe(true);
    }
  });

  it.each([
    [8, 11.7],
    [14, 7.8],
    [20, 5.2],
  ])('a #%i has a shank of %f mm', (size, mm) => expect(hookOf(size).shankM * 1000).toBeCloseTo(mm, 1));

  it('a bead is a sphere less its bore, worked by hand', () => {
    // D = 2.8 mm: sphere 11.494 mm³, bore of 0.98 mm through it 2.112 mm³.
    expect(beadVolume(0.0028) * 1e9).toBeCloseTo(11.494 - 2.112, 2);
    expect(mg(beadMass('tungsten', 0.0028))).toBe(159);
    expect(mg(beadMass('brass', 0.0028))).toBe(80);
  });

  it.each([-0.001, 3, Number.NaN])('a bead of %f m is refused', (diameterM) =>
    expect(() => beadVolume(diameterM)).toThrow(expect.objectContaining({ code: 'out-of-range' })),
  );

  it.each([0, 1, 24, 8.5e9])('a hook of size %f is refused', (size) =>
    expect(() => hookOf(size)).toThrow(expect.objectContaining({ code: 'out-of-range' })),
  );

  it('lead shot of one mass is smaller than tin', () => {
    for (const massKg of SHOT_MASSES_KG)
      expect(shotDiameter('lead', massKg)).toBeLessThan(shotDiameter('tin', massKg));
    expect(shotDiameter('tin', 0.0002) * 1000).toBeCloseTo(3.74, 2);
  });
});

describe('mass of a fly', () => {
  it('is the sum of its parts', () => {
    const mass = flyMass(fly({ bead: 'tungsten', beadDiameterM: 0.0028 }));
    expect(mass.totalKg).toBeCloseTo(mass.hookKg + mass.beadKg + mass.dressingKg, 12);
    expect(mg(mass.beadKg)).toBe(159);
    expect(mass.measured).toBeNull();
  });

  it('is what the scale says where there is one', () => {
    const nymph = fly({ bead: 'brass', beadDiameterM: 0.002 });
    const scale = reading('fly-mass', nymph, 0.0002);
    const mass = flyMass(nymph, [scale]);
    expect(mass.totalKg).toBeCloseTo(0.0002, 12);
    expect(mass.measured).toEqual(scale);
    expect(flyMass({ ...nymph, hookSize: 12 }, [scale]).measured).toBeNull();
  });

  it('weighs less under water than above, by what it displaces', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...HOOK_SIZES),
        fc.constantFrom(...BEAD_DIAMETERS_M),
        fc.constantFrom('brass' as const, 'tungsten' as const),
        (hookSize, beadDiameterM, bead) => {
          const { totalKg, submergedN } = flyMass(fly({ hookSize, bead, beadDiameterM }));
          expect(submergedN).toBeGreaterThan(0);
          expect(submergedN).toBeLessThan(totalKg * GRAVITY);
        },
      ),
    );
  });

  it('a yarn tuft floats and has no hook', () => {
    const mass = flyMass(fly({ dressing: 'yarn' }));
    expect(mass.hookKg).toBe(0);
    expect(freeSink(fly({ dressing: 'yarn' })).terminalMs).toBeLessThan(0.1);
  });

  it('tin shot keeps six sevenths of its weight', () =>
    expect(
      shotSubmergedN({ id: 's', kind: 'shot', massKg: 0.001, metal: 'tin', aboveFlyM: 0.2 }) /
        (0.001 * GRAVITY),
    ).toBeCloseTo(0.863, 3));
});

describe('what floats', () => {
  const dropper = (dry: Partial<Fly>, nymph: Partial<Fly>): Rig => {
    const rig = buildRig('dry-dropper');
    return {
      ...rig,
      flies: rig.flies.map((one) => ({ ...one, ...(one.at.kind === 'point' ? nymph : dry) })),
    };
  };
  const marginOf = (dry: Partial<Fly>, nymph: Partial<Fly>): number =>
    floatMargin(dropper(dry, nymph))?.margin ?? -1;
  const tungsten = (beadDiameterM: number) => ({ bead: 'tungsten', beadDiameterM, hookSize: 14 }) as const;

  it('a small hackled dry drowns under 2.8 mm of tungsten, a large foam beetle does not', () => {
    const small = dropper({ dressing: 'hackle-full', hookSize: 16 }, tungsten(0.0028));
    const large = dropper({ dressing: 'foam', hookSize: 8 }, tungsten(0.0028));
    expect(floatMargin(small)?.margin).toBeLessThan(1);
    expect(rulesOf(small)).toContain('float-too-small');
    expect(floatMargin(large)?.margin).toBeGreaterThan(1.5);
    expect(rulesOf(large)).not.toContain('float-too-small');
  });

  it('the margin falls as the bead grows and rises with the dry', () => {
    for (const dressing of ['hackle-full', 'palmered', 'deer-hair', 'foam'] as const) {
      const byBead = BEAD_DIAMETERS_M.map((bead) => marginOf({ dressing, hookSize: 10 }, tungsten(bead)));
      expect(byBead).toEqual([...byBead].sort((a, b) => b - a));
      expect(new Set(byBead).size).toBe(byBead.length);
      const byHook = [16, 14, 12, 10, 8].map((hookSize) => marginOf({ dressing, hookSize }, tungsten(0.002)));
      expect(byHook).toEqual([...byHook].sort((a, b) => a - b));
    }
  });

  it('hackle tires with fishing and wants floatant, foam does not care', () => {
    const lift = (dressing: Fly['dressing'], floatant: boolean, fishedMin: number): number =>
      flyLift(fly({ dressing }), { floatant, fishedMin }).totalN;
    expect(lift('hackle-full', true, 60)).toBeCloseTo(lift('hackle-full', true, 0) / Math.E, 9);
    expect(lift('hackle-full', false, 0)).toBeLessThan(lift('hackle-full', true, 0));
    const { foamN } = flyLift(fly({ dressing: 'foam' }), { floatant: false, fishedMin: 600 });
    expect(foamN).toBe(flyLift(fly({ dressing: 'foam' })).foamN);
  });

  it('yarn carries a third after four hours, foam as much as at first; when to dress again is told', () => {
    const lift = (style: 'yarn' | 'fixed', fishedMin: number): number =>
      indicatorLift({ id: 'i', kind: 'indicator', style, diameterM: 0.02, aboveFlyM: 1 }, fishedMin);
    expect(lift('yarn', 240)).toBeCloseTo(lift('yarn', 0) / Math.E, 9);
    expect(lift('fixed', 240)).toBe(lift('fixed', 0));
    const nymphs = buildRig('indicator-nymph');
    expect(dressAgainMin(nymphs)).toBeNull();
    const small = rigEdits.indicatorStyle(nymphs, 'yarn');
    // What is too small from the start is no matter of dressing.
    expect(dressAgainMin(rigEdits.indicatorSize(small, 0.012))).toBeNull();
    const yarn = rigEdits.indicatorSize(small, 0.03);
    const atFirst = floatMargin(yarn)!.margin;
    // The margin falls by e in four hours: to 1.5 it takes 240 ln(margin ÷ 1.5) minutes.
    expect(dressAgainMin(yarn)).toBe(Math.ceil((240 * Math.log(atFirst / 1.5)) / 5) * 5);
    expect(dressAgainMin(buildRig('grass'))).toBeNull();
  });

  it('a bucket test beats the estimate', () => {
    const beetle = fly({ dressing: 'foam' });
    const bucket = reading('fly-lift', beetle, 0.0004);
    expect(flyLift(beetle, undefined, [bucket]).measured).toEqual(bucket);
    expect(flyLift(beetle, undefined, [bucket]).totalN).toBeGreaterThan(0.0004 * GRAVITY);
    const rig = dropper({ dressing: 'foam', hookSize: 14 }, tungsten(0.0028));
    const dry = rig.flies.find(({ at }) => at.kind !== 'point') as Fly;
    const carried = { ...rig, measured: [reading('fly-lift', dry, 0.002)] };
    expect(floatMargin(carried)?.margin).toBeGreaterThan(5);
    expect(floatMargin(carried)?.measured?.on).toBe('2026-05-02');
  });

  it('there is nothing to carry without a dropper, and nothing floats in a team of nymphs', () => {
    expect(floatMargin(buildRig('dry-fly'))).toBeNull();
    expect(floatMargin(buildRig('tight-line'))).toBeNull();
  });

  const ball = { id: 'i', kind: 'indicator', style: 'fixed', diameterM: 0.019, aboveFlyM: 1 } as const;

  it('yarn weighs and carries a fraction of a solid ball of its size', () => {
    const yarn = { ...ball, style: 'yarn' } as const;
    expect(indicatorMass(yarn) / indicatorMass(ball)).toBeCloseTo(0.22, 9);
    expect(indicatorLift(yarn) / indicatorLift(ball)).toBeCloseTo(0.22, 9);
    expect(indicatorMass(ball) * 1000).toBeCloseTo(0.54, 2);
    expect(castingLoad(buildRig('tuck-hinge')).advice).toBe('open');
  });

  it('an indicator counts flies, shot and the fluorocarbon below it', () => {
    const float = floatMargin(buildRig('indicator-nymph'));
    expect(float?.parts.map(({ part }) => part)).toEqual([
      { kind: 'fly', name: 'dropper nymph' },
      { kind: 'fly', name: 'point nymph' },
      { kind: 'shot', metal: 'tin' },
      { kind: 'leader-below' },
    ]);
    expect(float?.liftN).toBeCloseTo(indicatorLift(ball), 12);
    // A ball of 19 mm displaces 3.59 g and weighs 0.54 g.
    expect((indicatorLift(ball) / GRAVITY) * 1000).toBeCloseTo(3.05, 2);
  });

  it('each fix of a sinking float mends it', () => {
    const rig = dropper({ dressing: 'hackle-sparse', hookSize: 14 }, tungsten(0.0033));
    const problem = rigProblems(rig, { water: null }).find(({ rule }) => rule === 'float-too-small');
    expect(problem?.fixes.map(({ does }) => does)).toEqual(['larger-float', 'lighter-nymph']);
    for (const { change } of problem?.fixes ?? [])
      expect(floatMargin(change)?.margin).toBeGreaterThanOrEqual(1.5);
  });
});

describe('sinking', () => {
  const heavy = fly({ bead: 'tungsten', beadDiameterM: 0.0033 });

  it('balances weight and drag at its terminal speed', () => {
    const { terminalMs } = freeSink(heavy);
    const area = Math.max(hookOf(14).shankM ** 2 * DRESSINGS.nymph.bodyWidth, (Math.PI / 4) * 0.0033 ** 2);
    expect(0.5 * 1000 * 1.1 * area * terminalMs ** 2).toBeCloseTo(flyMass(heavy).submergedN, 9);
  });

  it('takes longer than at terminal speed, and ever less so', () => {
    const { terminalMs, timeTo } = freeSink(heavy);
    const late = (depthM: number): number => timeTo(depthM) - depthM / terminalMs;
    expect(late(0.05)).toBeGreaterThan(0);
    expect(timeTo(0)).toBe(0);
    expect(late(3)).toBeCloseTo(late(2), 6);
  });

  it('agrees with stepping the motion', () => {
    const { terminalMs, timeTo } = freeSink(heavy);
    const { totalKg, submergedN } = flyMass(heavy);
    const start = submergedN / (totalKg + 0.5 * (totalKg - submergedN / GRAVITY));
    let [depth, speed, seconds] = [0, 0, 0];
    const dt = 1e-5;
    while (depth < 0.5) {
      speed += start * (1 - (speed / terminalMs) ** 2) * dt;
      depth += speed * dt;
      seconds += dt;
    }
    expect(timeTo(0.5)).toBeCloseTo(seconds, 3);
  });

  it('is faster with a larger bead, tungsten faster than brass', () => {
    const speeds = BEAD_DIAMETERS_M.slice(2).map(
      (d) => freeSink(fly({ bead: 'tungsten', beadDiameterM: d })).terminalMs,
    );
    expect(speeds[1] as number).toBeGreaterThan(speeds[0] as number);
    expect(freeSink(fly({ bead: 'brass', beadDiameterM: 0.0033 })).terminalMs).toBeLessThan(
      freeSink(heavy).terminalMs,
    );
  });

  it('of a line goes by its type: n inches a second', () => {
    for (let n = 1; n <= 7; n++) expect(sinkRate(`type-${n}` as 'type-1')).toBeCloseTo(n * 0.0254, 9);
    expect(countdown('type-3', 3.048)?.seconds).toBeCloseTo(40, 6);
    expect(countdown('floating', 2)).toBeNull();
    expect(countdownTable(3).map(({ seconds }) => seconds)).toEqual(
      [...countdownTable(3).map(({ seconds }) => seconds)].sort((a, b) => b - a),
    );
    expect(countdownTable(3)).toHaveLength(LINE_KINDS.length - 2);
    expect(() => countdown('type-1', -1)).toThrow(expect.objectContaining({ code: 'out-of-range' }));
  });
});

describe('taper', () => {
  it('is the ratio of E·d⁴ at each knot', () => {
    const rig = buildRig('indicator-nymph');
    const [butt, middle] = rig.sections as [Rig['sections'][number], Rig['sections'][number]];
    expect(taperOf(rig).steps[0]?.stiffnessRatio).toBeCloseTo(
      bendingStiffness(butt.material, butt.diameterM) / bendingStiffness(middle.material, middle.diameterM),
      9,
    );
  });

  it('finds a hinge by mistake, and takes it as meant when told', () => {
    const rig = buildRig('dry-fly');
    const thin = {
      ...rig,
      sections: rig.sections.map((one) => (one.id === 'taper' ? { ...one, diameterM: 0.0003 } : one)),
    };
    expect(rulesOf(thin)).toContain('hinge-by-mistake');
    expect(rulesOf({ ...thin, hingeAt: 'taper' })).not.toContain('hinge-by-mistake');
  });

  it('says when a meant hinge is too mild to fold', () => {
    const rig = buildRig('tuck-hinge', { hingeRatio: HINGE_RATIO - 1 });
    expect(rulesOf(rig)).toContain('hinge-too-mild');
    expect(rulesOf(buildRig('tuck-hinge'))).not.toContain('hinge-too-mild');
  });
});

describe('what the cast must carry', () => {
  it('takes the standard mass of the line’s head', () => {
    expect(headMass(5) * 1000).toBeCloseTo(9.07, 2);
    expect([headMass(0), headMass(99)]).toEqual([headMass(1), headMass(12)]);
  });

  it('opens the loop for weight, lets the water load for much of it', () => {
    expect(castingLoad(buildRig('dry-fly')).advice).toBe('any');
    expect(castingLoad(buildRig('indicator-nymph', { shotMassKg: 0 })).advice).toBe('open');
    expect(castingLoad(buildRig('indicator-nymph', { shotMassKg: 0.0012, lineWeight: 3 })).advice).toBe(
      'water-load',
    );
  });

  it('tangles more with every fly, shot and metre', () => {
    const risk = (id: 'indicator-nymph' | 'lake-long-leader', change = {}): number =>
      tangleRisk(buildRig(id, change)).perHour;
    expect(risk('indicator-nymph', { flyCount: 1, shotMassKg: 0 })).toBeLessThan(
      risk('indicator-nymph', { flyCount: 1 }),
    );
    expect(risk('indicator-nymph', { flyCount: 1 })).toBeLessThan(risk('indicator-nymph', { flyCount: 2 }));
    expect(risk('lake-long-leader', { leaderLengthM: 4 })).toBeLessThan(
      risk('lake-long-leader', { leaderLengthM: 6 }),
    );
    expect(tangleRisk(buildRig('grass')).level).toBe('low');
  });
});

describe('the cut list', () => {
  it('adds a hand for every knot, and same material up', () => {
    const cuts = cutList(buildRig('indicator-nymph'));
    const fine = cuts.at(-1);
    // Two sections of 0.40 and 0.25 m with 0.30 m of knots each, and a tag of 0.09 with 0.15.
    expect(fine).toMatchObject({ material: 'fluorocarbon' });
    expect(fine?.lengthM).toBeCloseTo(0.4 + 0.25 + 0.6 + 0.24, 9);
    expect(cuts.map(({ diameterM }) => diameterM)).toEqual(
      [...cuts.map(({ diameterM }) => diameterM)].sort((a, b) => b - a),
    );
  });

  it('is never shorter than the rig', () => {
    for (const id of ['dry-fly', 'tight-line', 'wet-swing', 'fixed-line'] as const) {
      const rig = buildRig(id);
      const cut = cutList(rig).reduce((sum, { lengthM }) => sum + lengthM, 0);
      const bought = boughtLeaders(rig).reduce((sum, { lengthM }) => sum + lengthM, 0);
      expect(cut + bought).toBeGreaterThan(rig.sections.reduce((sum, { lengthM }) => sum + lengthM, 0));
    }
  });
});

describe('the class kit', () => {
  const rig = buildRig('indicator-nymph');
  const use = (students: number, hours: number, tanglesPerHour: number | null = null) => [
    {
      rig,
      name: 'Two nymphs',
      hours,
      students: Array.from({ length: students }, (_, i) => ({ name: `${i}`, tanglesPerHour })),
    },
  ];
  const count = (
    uses: ReturnType<typeof use>,
    material: MaterialId,
    diameterM: number | null = null,
  ): number =>
    classKit(uses).find(
      ({ thing }) =>
        thing.kind === 'material' &&
        thing.material === material &&
        (diameterM === null || thing.diameterM === diameterM),
    )?.count ?? -1;

  it('is one rig a student when nobody tangles and no time passes', () => {
    const kit = classKit(use(4, 0));
    expect(
      kit.filter(({ unit }) => unit === 'pieces').every(({ count: n, spares }) => n === 4 && spares === 0),
    ).toBe(true);
    const cut = cutList(rig).at(-1);
    expect(count(use(4, 0), 'fluorocarbon', diameterOfX(5))).toBe(Math.ceil((cut?.lengthM ?? 0) * 4 * 2) / 2);
  });

  it('has more spares for those who tangle more, of tippet but not of butts', () => {
    expect(count(use(4, 2, 6), 'fluorocarbon')).toBeGreaterThan(count(use(4, 2, 1), 'fluorocarbon'));
    expect(count(use(4, 2, 6), 'stiff-mono')).toBe(count(use(4, 2, 1), 'stiff-mono'));
  });

  it('adds up what two rigs share', () => {
    const both = [
      ...use(2, 0),
      { ...use(3, 0)[0], rig: buildRig('tight-line', { tippetX: 5, lineWeight: 5 }) } as ReturnType<
        typeof use
      >[number],
    ];
    expect(classKit(both).find(({ thing }) => thing.kind === 'line' && thing.weight === 5)?.count).toBe(5);
  });

  it('is empty without a class', () => expect(classKit([])).toEqual([]));
});

describe('dressings', () => {
  it.each(DRESSING_IDS)('%s has sane shares', (id) => {
    const { bodyWidth, mass, foam, air, film, windArea } = DRESSINGS[id];
    for (const share of [bodyWidth, mass, windArea]) expect(share).toBeGreaterThan(0);
    for (const share of [foam, air, film]) expect(share).toBeGreaterThanOrEqual(0);
    expect(DRESSINGS[id].id).toBe(id);
  });
});

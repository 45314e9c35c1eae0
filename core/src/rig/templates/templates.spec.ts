import fc from 'fast-check';
import { castingLoad } from '../cast/casting-load';
import { rigEdits } from '../leader/edits';
import { parametersOf, reshape } from '../leader/reshape';
import { flyAttachment, leaderLength, pointFly } from '../leader/leader-geometry';
import { floatMargin } from '../sink/float-margin';
import { rigFigures } from '../figures/figures';
import { boughtLeaders } from '../leader/bought-leader';
import { netReach } from '../strength/net-reach';
import {
  DROPPER_SCHOOLS,
  HEAVIEST_SCHOOLS,
  INDICATOR_SCHOOLS,
  SHOT_SCHOOLS,
  TEMPLATE_IDS,
  type Rig,
} from '../rig';
import { rigProblems } from '../problems';
import { weakestLink } from '../strength/strength';
import { taperOf } from '../leader/taper';
import { diameterOfX } from '../tackle/x-size';
import { DEFAULT_SCHOOLS } from '../rig';
import { buildRig, TEMPLATES, type TemplateParameters } from '.';

const context = { water: null } as const;
const all = TEMPLATE_IDS.map((id) => [id] as const);

const anyParameters: fc.Arbitrary<Partial<TemplateParameters>> = fc.record({
  rodLengthM: fc.double({ min: 2.1, max: 4.5, noNaN: true }),
  lineWeight: fc.integer({ min: 1, max: 9 }),
  waterDepthM: fc.double({ min: 0.2, max: 5, noNaN: true }),
  tippetX: fc.integer({ min: 0, max: 8 }),
  flyCount: fc.integer({ min: 1, max: 3 }),
  shotMassKg: fc.constantFrom(0, 0.0001, 0.0005),
  hingeRatio: fc.double({ min: 5.5, max: 20, noNaN: true }),
  leaderLengthM: fc.double({ min: 3, max: 6, noNaN: true }),
  schools: fc.record({
    indicator: fc.constantFrom(...INDICATOR_SCHOOLS),
    shot: fc.constantFrom(...SHOT_SCHOOLS),
    dropper: fc.constantFrom(...DROPPER_SCHOOLS),
    heaviest: fc.constantFrom(...HEAVIEST_SCHOOLS),
  }),
});

describe('every template', () => {
  it('ships all thirteen, and one that starts from the line', () =>
    expect(Object.keys(TEMPLATES).sort()).toEqual([...TEMPLATE_IDS].sort()));

  it.each(all)('%s is sound by itself: a point fly, no stop problem, breaks at the tippet or a fly', (id) => {
    const rig = buildRig(id);
    const fly = pointFly(rig);
    expect(fly).toBeDefined();
    expect(rigProblems(rig, context).filter(({ level }) => level === 'must-fix')).toEqual([]);
    expect(fly && weakestLink(rig, fly)?.expendable).toBe(true);
    expect(taperOf(rig).steps.filter(({ hinge }) => hinge === 'mistake')).toEqual([]);
    expect(rig.template).toBe(id);
  });

  it.each(all)('%s knows what changes it, each once', (id) => {
    const { uses } = TEMPLATES[id];
    expect(new Set(uses).size).toBe(uses.length);
  });

  it.each(all)('%s holds together whatever it is asked for', (id) => {
    fc.assert(
      fc.property(anyParameters, (parameters) => {
        const rig = buildRig(id, parameters);
        const lengthM = leaderLength(rig);
        expect(rig.flies.filter(({ at }) => at.kind === 'point')).toHaveLength(1);
        expect(new Set([...rig.sections, ...rig.flies, ...rig.fittings].map((part) => part.id)).size).toBe(
          rig.sections.length + rig.flies.length + rig.fittings.length,
        );
        for (const { lengthM: part, diameterM } of rig.sections) {
          expect(part).toBeGreaterThan(0.1);
          expect(diameterM).toBeGreaterThanOrEqual(diameterOfX(8));
          expect(diameterM).toBeLessThanOrEqual(0.0006);
        }
        for (const fly of rig.flies) expect(flyAttachment(rig, fly)).toBeLessThanOrEqual(lengthM);
        for (const { aboveFlyM } of rig.fittings) expect(aboveFlyM).toBeLessThanOrEqual(lengthM);
        for (const figure of rigFigures(rig, 2)) expect(Number.isFinite(figure.value)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what each template promises', () => {
  const lengths = (rig: Rig): number => Math.round(leaderLength(rig) * 100) / 100;

  it('the dry fly leader has a soft tippet one X finer than the end above it', () => {
    const [end, tippet] = buildRig('dry-fly', { tippetX: 5 }).sections.slice(-2);
    expect([end?.diameterM, tippet?.diameterM]).toEqual([diameterOfX(4), diameterOfX(5)]);
  });

  it('the sacrificial tippet is of the X it protects', () => {
    const [end, tippet] = buildRig('sacrificial-tippet').sections.slice(-2);
    expect(tippet?.diameterM).toBe(end?.diameterM);
    expect(tippet?.lengthM).toBe(0.4);
  });

  it.each([
    [0.2, 0.3],
    [0.7, 0.49],
    [3, 0.9],
  ])('in %f m of water the dropper hangs %f m below the dry', (waterDepthM, below) => {
    const rig = buildRig('dry-dropper', { waterDepthM });
    expect(flyAttachment(rig, rig.flies[0] as Rig['flies'][number])).toBeCloseTo(below, 6);
  });

  it.each(DROPPER_SCHOOLS)('the dry carries its dropper tied by the school “%s”', (dropper) => {
    const rig = buildRig('dry-dropper', { schools: { ...DEFAULT_SCHOOLS, dropper } });
    expect(floatMargin(rig)?.margin).toBeGreaterThan(1.5);
    expect(rig.flies[0]?.at.kind).toBe(dropper === 'tag' ? 'tag' : 'inline');
  });

  it('the hinge folds: limp sections of two thirds of the butt, and 12- to 16-fold softer', () => {
    const rig = buildRig('tuck-hinge', { tippetX: 5 });
    const [butt, upper, lower] = rig.sections.map(({ lengthM }) => lengthM) as [number, number, number];
    for (const limp of [upper, lower]) expect(limp / butt).toBeCloseTo(2 / 3, 2);
    const hinge = taperOf(rig).steps.find(({ stiffnessRatio }) => stiffnessRatio > 5);
    expect(hinge?.stiffnessRatio).toBeGreaterThanOrEqual(12);
    expect(hinge?.stiffnessRatio).toBeLessThanOrEqual(16);
  });

  it.each([
    ['lake-long-leader', 2.9, 3.05],
    ['lake-suspended', 2.9, 3.05],
    ['margin-single', 2.9, 3.05],
    ['tight-line', 3, 3.4],
    ['indicator-nymph', 2.6, 3.05],
  ] as const)('%s takes a rod of %f to %f m', (id, from, to) => {
    const { lengthM } = buildRig(id).rod;
    expect([lengthM >= from, lengthM <= to]).toEqual([true, true]);
  });

  it.each([6, 8, 12])('the hinge is as steep as it is asked to be: %i', (hingeRatio) => {
    const { steps } = taperOf(buildRig('tuck-hinge', { hingeRatio }));
    const hinge = steps.find(({ hinge: kind }) => kind === 'meant');
    expect(hinge?.stiffnessRatio).toBeCloseTo(hingeRatio, 6);
    expect(steps.filter(({ hinge: kind }) => kind === 'mistake')).toEqual([]);
  });

  it('heavier tippet makes the limp sections of the hinge leader longer', () =>
    expect(buildRig('tuck-hinge', { tippetX: 2 }).sections[1]?.lengthM).toBeGreaterThan(
      buildRig('tuck-hinge', { tippetX: 5 }).sections[1]?.lengthM ?? 9,
    ));

  it('the tight line reaches to the end of the sighter a little beyond the rod', () => {
    const rig = buildRig('tight-line', { rodLengthM: 3.05 });
    const toSighter = rig.sections.slice(0, 3).reduce((sum, { lengthM }) => sum + lengthM, 0);
    expect(toSighter).toBeCloseTo(3.25, 1);
  });

  it.each([
    ['point', 'point'],
    ['upper', 'dropper'],
  ] as const)('the heaviest nymph goes where the school “%s” wants it', (heaviest, id) => {
    const rig = buildRig('tight-line', { schools: { ...DEFAULT_SCHOOLS, heaviest } });
    const heavy = [...rig.flies].sort((a, b) => b.beadDiameterM - a.beadDiameterM)[0];
    expect(heavy?.id).toBe(id);
  });

  it('a streamer in deep water gets a sink tip and an arm of leader', () => {
    const deep = buildRig('streamer', { waterDepthM: 3 });
    expect([deep.line.kind, lengths(deep)]).toEqual(['sink-tip', 1.2]);
    expect(buildRig('streamer', { waterDepthM: 1 }).line.kind).toBe('floating');
  });

  it.each([
    [1, 1],
    [2, 2],
    [3, 3],
  ])('the long lake leader carries %i flies on %i lengths, whole as asked', (flyCount, parts) => {
    const rig = buildRig('lake-long-leader', { flyCount, leaderLengthM: 6 });
    expect(rig.flies).toHaveLength(flyCount);
    expect(rig.sections).toHaveLength(parts + 1);
    expect(leaderLength(rig)).toBeCloseTo(6, 1);
  });

  it('a fish on the suspended lake rig can be netted, since the indicator lets go', () => {
    const rig = buildRig('lake-suspended', { waterDepthM: 5 });
    expect(leaderLength(rig)).toBeGreaterThan(5);
    expect(netReach(rig).shortestM).toBe(0);
  });

  it('the small-stream leader is a bought one cut to 1.8 m, and 2.35 m with its tippet', () => {
    const rig = buildRig('small-stream');
    expect(boughtLeaders(rig)[0]?.lengthM).toBeCloseTo(1.8, 9);
    expect(leaderLength(rig)).toBeCloseTo(2.35, 9);
    expect(rigProblems(rig, context).filter(({ level }) => level === 'must-fix')).toEqual([]);
  });

  it('the fixed line is a little shorter than the rod', () => {
    const rig = buildRig('fixed-line', { rodLengthM: 3.6 });
    expect(rig.sections[0]?.lengthM).toBe(3.45);
    expect(rig.sections[0]?.joint).toBe('slip-loop');
  });

  it('the grass rig has no hook and asks for no special loop', () => {
    const rig = buildRig('grass');
    expect(rigFigures(rig, 2).find(({ id }) => id === 'hook-count')?.value).toBe(0);
    expect(castingLoad(rig).advice).toBe('any');
  });
});

describe('a rig shaped anew', () => {
  it.each(all)('%s has the parameters it was built with', (id) => {
    const rig = buildRig(id);
    expect(reshape(rig, {})).toEqual(rig);
    expect(parametersOf(reshape(rig, { waterDepthM: 2 })).waterDepthM).toBe(2);
  });

  it('keeps what was chosen: flies, materials and knots', () => {
    const rig = buildRig('lake-long-leader');
    const chosen = rigEdits.section(
      rigEdits.fly(rig, 'point', { hookSize: 6, bead: 'tungsten', beadDiameterM: 0.0046 }),
      'upper',
      { material: 'copolymer', joint: 'blood' },
    );
    const longer = reshape(chosen, { leaderLengthM: 6 });
    expect(pointFly(longer)).toMatchObject({ hookSize: 6, beadDiameterM: 0.0046 });
    expect(longer.sections[1]).toMatchObject({ material: 'copolymer', joint: 'blood' });
    expect(leaderLength(longer)).toBeCloseTo(6, 1);
  });

  it('moves the heavy nymph when the school says so', () => {
    const rig = rigEdits.heaviestSchool(buildRig('tight-line'), 'upper');
    expect(rig.flies.find(({ id }) => id === 'dropper')?.beadDiameterM).toBe(0.0033);
  });

  it('ties the dropper as the school says', () => {
    const rig = rigEdits.dropperSchool(buildRig('dry-dropper'), 'tag');
    expect(rig.flies[0]?.at.kind).toBe('tag');
    expect(rig.sections.at(-1)?.joint).toBe('triple-surgeon');
  });

  it('follows a deeper water with more leader', () => {
    const rig = buildRig('lake-suspended', { waterDepthM: 2 });
    expect(leaderLength(rigEdits.depth(rig, 4)) - leaderLength(rig)).toBeCloseTo(2, 6);
  });
});

import fc from 'fast-check';
import { rigFigures } from '../figures/figures';
import { floatMargin } from '../sink/float-margin';
import { KNOTS, knotShare } from '../tackle/knots';
import { KNOT_IDS, MATERIAL_IDS } from '../tackle/ids';
import { bendingStiffness, MATERIALS, materialStrength, sectionArea } from '../tackle/materials';
import { measuredOf } from './measured';
import { measuredKey } from './measured-key';
import {
  measuredFrom,
  modulusFromDroop,
  type Reading,
  type TakenReading,
  withMeasured,
} from './rig-measurements';
import type { Rig } from '../rig';
import { weakestLink } from '../strength/strength';
import { measurablesOf } from './measurable';
import { schoolDifferences } from '../schools';
import { rigEdits } from '../leader/edits';
import { buildRig, TEMPLATES } from '../templates';
import { pointFly } from '../leader/leader-geometry';

let count = 0;
const taken = (reading: Reading, studentId: string | null = null, on = '2026-05-02'): TakenReading => ({
  id: `r${(count += 1)}`,
  studentId,
  on,
  reading,
});
const clinchAt = (value: number): Reading => ({
  kind: 'knot',
  knot: 'improved-clinch',
  material: 'copolymer',
  diameterM: 0.000152,
  value,
});
const breaks = (rig: Rig): number => weakestLink(rig, pointFly(rig) ?? rig.flies[0]!)?.holdsN ?? -1;
const figureOf = (rig: Rig, id: string) => rigFigures(rig, null).find((one) => one.id === id);

describe('readings of the same thing', () => {
  it('give their mean, their number and the day of the last', () => {
    const fly = pointFly(buildRig('dry-fly'))!;
    const readings = [0.0001, 0.0002, 0.0003].map((value, i) =>
      taken({ kind: 'fly-mass', fly, value }, null, `2026-05-0${3 - i}`),
    );
    expect(measuredFrom(readings, null)).toEqual([
      {
        kind: 'fly-mass',
        key: measuredKey.fly(fly),
        value: expect.closeTo(0.0002, 9),
        readings: 3,
        on: '2026-05-03',
      },
    ]);
  });

  it('do not mix flies, materials or diameters that differ', () => {
    const strength = (diameterM: number, value: number) =>
      taken({ kind: 'material-strength', material: 'copolymer', diameterM, value });
    expect(measuredFrom([strength(0.000152, 20), strength(0.000178, 27)], null)).toHaveLength(2);
  });
});

describe('a knot that was broken on a scale', () => {
  const strength = materialStrength('copolymer', 0.000152);

  it('counts as its share of the line it was tied in', () => {
    const [knot] = measuredFrom([taken(clinchAt(strength * 0.6))], null);
    expect(knot).toMatchObject({ kind: 'knot-share', key: 'improved-clinch' });
    expect(knot?.value).toBeCloseTo(0.6, 9);
  });

  it('is compared with the line as measured, where it was', () => {
    const line = taken({ kind: 'material-strength', material: 'copolymer', diameterM: 0.000152, value: 20 });
    const known = measuredFrom([taken(clinchAt(15)), line], null);
    expect(measuredOf(known, 'knot-share', 'improved-clinch')?.value).toBeCloseTo(0.75, 9);
  });

  it('never holds more than the line', () => {
    expect(measuredFrom([taken(clinchAt(strength * 3))], null)[0]?.value).toBe(1);
  });

  it('of a student counts in the rigs that student ties, and in no others', () => {
    const readings = [taken(clinchAt(strength * 0.5), 'ida'), taken(clinchAt(strength * 0.9))];
    const share = (who: string | null) => knotShare('improved-clinch', measuredFrom(readings, who));
    expect(share('ida')).toBeCloseTo(0.5, 9);
    expect(share('jonas')).toBeCloseTo(0.9, 9);
    expect(share(null)).toBeCloseTo(0.9, 9);
    expect(knotShare('improved-clinch', measuredFrom([readings[0]!], null))).toBe(
      KNOTS['improved-clinch'].share,
    );
  });
});

describe('a rig with what was measured', () => {
  it('breaks where the scale says', () => {
    const rig = buildRig('dry-fly');
    const known = measuredFrom([taken(clinchAt(materialStrength('copolymer', 0.000152) * 0.3))], null);
    const measured = withMeasured(rig, known);
    expect(breaks(measured)).toBeLessThan(breaks(rig));
    expect(figureOf(rig, 'breaks-first')?.certainty).toBe('estimate');
    expect(figureOf(measured, 'breaks-first')).toMatchObject({
      certainty: 'measured',
      measured: { readings: 1, on: '2026-05-02' },
    });
  });

  it('takes what I measured before what came with it', () => {
    const key = measuredKey.knot('improved-clinch');
    const carried = { kind: 'knot-share', key, value: 0.4, readings: 1, on: '2026-01-01' } as const;
    const rig = { ...buildRig('dry-fly'), measured: [carried] };
    expect(knotShare('improved-clinch', rig.measured)).toBe(0.4);
    expect(withMeasured(rig, [{ ...carried, value: 0.7 }]).measured).toEqual([{ ...carried, value: 0.7 }]);
    expect(withMeasured(rig, [])).toBe(rig);
  });

  it('sinks, counts, floats and bends as it was measured', () => {
    const nymph = buildRig('indicator-nymph');
    const fly = pointFly(nymph)!;
    const indicator = nymph.fittings.find(({ kind }) => kind === 'indicator') as {
      style: 'fixed';
      diameterM: number;
    };
    const lake = { ...buildRig('lake-long-leader') };
    const hinge = buildRig('tuck-hinge');
    const known = measuredFrom(
      [
        taken({ kind: 'fly-sink', fly, value: 0.123 }),
        taken({
          kind: 'indicator-lift',
          style: indicator.style,
          diameterM: indicator.diameterM,
          value: 0.009,
        }),
        taken({ kind: 'line-sink', line: lake.line.kind, value: 0.1 }),
        taken({ kind: 'material-stiffness', material: 'stiff-mono', value: 6.4e9 }),
      ],
      null,
    );
    expect(figureOf(withMeasured(nymph, known), 'sink')).toMatchObject({
      value: 0.123,
      certainty: 'measured',
    });
    expect(floatMargin(withMeasured(nymph, known))?.liftN).toBeCloseTo(0.009 * 9.80665, 9);
    expect(figureOf(withMeasured(lake, known), 'count-to-depth')).toMatchObject({
      value: lake.waterDepthM / 0.1,
      certainty: 'measured',
    });
    const [before, after] = [hinge, withMeasured(hinge, known)].map((rig) => figureOf(rig, 'hinge'));
    expect(after?.value).toBeCloseTo((before?.value ?? 0) * 2, 6);
    expect(after?.certainty).toBe('measured');
  });
});

describe('stiffness from a droop', () => {
  it('gives back the modulus of a beam that droops by it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MATERIAL_IDS),
        fc.double({ min: 0.0002, max: 0.0006, noNaN: true }),
        fc.double({ min: 0.03, max: 0.15, noNaN: true }),
        (material, diameterM, lengthM) => {
          const { density, modulusPa } = MATERIALS[material];
          const droopM =
            (density * 9.80665 * sectionArea(diameterM) * lengthM ** 4) /
            (8 * bendingStiffness(material, diameterM));
          expect(modulusFromDroop(material, diameterM, lengthM, droopM) / modulusPa).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('a piece that droops half as far is twice as stiff', () => {
    const at = (droopM: number) => modulusFromDroop('stiff-mono', 0.0005, 0.1, droopM);
    expect(at(0.002) / at(0.004)).toBeCloseTo(2, 9);
  });
});

describe('the table of knots', () => {
  it.each(KNOT_IDS.map((id) => [id]))('%s has a share and a range that make sense', (id) => {
    const { share, rangeM, maxDiameterRatio } = KNOTS[id];
    expect(share).toBeGreaterThan(0.5);
    expect(share).toBeLessThanOrEqual(1);
    expect(rangeM[0]).toBeLessThan(rangeM[1]);
    expect(maxDiameterRatio).toBeGreaterThan(1);
  });
});

describe('what of a rig can be measured', () => {
  it('every figure that is an estimate can be replaced by a reading', () => {
    for (const { id } of Object.values(TEMPLATES)) {
      const rig = buildRig(id);
      const readings = measurablesOf(rig).map(({ of, estimate }) =>
        taken({ ...of, value: estimate * 0.9 } as Reading),
      );
      const known = withMeasured(rig, measuredFrom(readings, null));
      const guessed = rigFigures(known, null).filter(({ certainty }) => certainty === 'estimate');
      expect([id, guessed.map((figure) => figure.id)]).toEqual([id, []]);
    }
  });

  it('names alike things once', () => {
    const ids = measurablesOf(buildRig('tight-line', { flyCount: 2 })).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('schools', () => {
  it('differ only where they concern the rig, and can be taken over with all that follows', () => {
    const rig = buildRig('indicator-nymph', { shotMassKg: 0.0003 });
    const mine = { indicator: 'double', shot: 'near-fly', dropper: 'tag', heaviest: 'upper' } as const;
    expect(schoolDifferences(rig, mine)).toEqual(['indicator', 'shot']);
    const taken = rigEdits.schools(rig, mine);
    expect(schoolDifferences(taken, mine)).toEqual([]);
    expect(taken.fittings.find(({ kind }) => kind === 'indicator')?.aboveFlyM).toBeCloseTo(
      2 * rig.waterDepthM,
      2,
    );
    expect(schoolDifferences(buildRig('grass'), mine)).toEqual([]);
  });
});

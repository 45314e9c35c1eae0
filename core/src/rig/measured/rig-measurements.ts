import type { KnotId, LineKind, MaterialId, INDICATOR_STYLES } from '../tackle/ids';
import { materialStrength, sectionArea, MATERIALS } from '../tackle/materials';
import { type Measured, measuredOf } from './measured';
import { type FlyType, measuredKey } from './measured-key';
import type { Rig } from '../rig';
import { GRAVITY } from '../../units';

/** One reading of a scale, a bucket or a watch, as it was taken. Values in SI: kg, m/s, N, Pa. */
export type Reading =
  | { kind: 'fly-mass' | 'fly-lift' | 'fly-sink'; fly: FlyType; value: number }
  | { kind: 'material-strength'; material: MaterialId; diameterM: number; value: number }
  | { kind: 'material-stiffness'; material: MaterialId; value: number }
  | { kind: 'knot'; knot: KnotId; material: MaterialId; diameterM: number; value: number }
  | { kind: 'line-sink'; line: LineKind; value: number }
  | {
      kind: 'indicator-lift';
      style: (typeof INDICATOR_STYLES)[number];
      diameterM: number;
      value: number;
    };

export interface TakenReading {
  id: string;
  /** Whose knot it was; null for the instructor's own. */
  studentId: string | null;
  /** ISO date. */
  on: string;
  reading: Reading;
}

/**
 * The measured values that some readings give: the mean of all readings of the same thing.
 *
 * A knot counts as a share of the line it was tied in, measured or by the estimate, at most 1. A student's own knots
 * go before the instructor's for rigs that student ties; other readings are no matter of whose they are.
 *
 * @param tiedBy the student whose rig it is, or null
 */
export function measuredFrom(readings: readonly TakenReading[], tiedBy: string | null): Measured[] {
  const plain = readings.flatMap(({ reading, on }) =>
    reading.kind === 'knot' ? [] : [{ kind: reading.kind, key: keyOf(reading), value: reading.value, on }],
  );
  const values = means(plain);
  const share = ({ reading, on }: TakenReading) =>
    reading.kind === 'knot'
      ? [
          {
            kind: 'knot-share' as const,
            key: measuredKey.knot(reading.knot),
            value: Math.min(1, reading.value / materialStrength(reading.material, reading.diameterM, values)),
            on,
          },
        ]
      : [];
  const own = means(readings.filter(({ studentId }) => studentId === null).flatMap(share));
  const theirs = means(
    readings.filter(({ studentId }) => studentId !== null && studentId === tiedBy).flatMap(share),
  );
  return over(over([], values), over(own, theirs));
}

/** The rig with these measured values before those that came with it. */
export function withMeasured(rig: Rig, measured: readonly Measured[]): Rig {
  return measured.length === 0 ? rig : { ...rig, measured: over(rig.measured, measured) };
}

/**
 * Elastic modulus from how far a piece of line droops by its own weight, held level at one end: E = ρ·g·A·L⁴ / (8·I·δ).
 *
 * Beam of small deflection; holds while the droop is under a quarter of the length.
 *
 * @param lengthM free length, metres
 * @param droopM fall of its end, metres
 * @returns Pa
 */
export function modulusFromDroop(
  material: MaterialId,
  diameterM: number,
  lengthM: number,
  droopM: number,
): number {
  const weightPerMetre = MATERIALS[material].density * GRAVITY * sectionArea(diameterM);
  const secondMoment = (Math.PI * diameterM ** 4) / 64;
  return (weightPerMetre * lengthM ** 4) / (8 * secondMoment * droopM);
}

function keyOf(reading: Exclude<Reading, { kind: 'knot' }>): string {
  switch (reading.kind) {
    case 'material-strength':
      return measuredKey.diameter(reading.material, reading.diameterM);
    case 'material-stiffness':
      return measuredKey.material(reading.material);
    case 'line-sink':
      return measuredKey.line(reading.line);
    case 'indicator-lift':
      return measuredKey.indicator(reading);
    default:
      return measuredKey.fly(reading.fly);
  }
}

function means(values: readonly Omit<Measured, 'readings'>[]): Measured[] {
  const byKey = new Map<string, Measured>();
  for (const { kind, key, value, on } of values) {
    const before = byKey.get(kind + key) ?? { kind, key, value: 0, readings: 0, on };
    const readings = before.readings + 1;
    byKey.set(kind + key, {
      kind,
      key,
      readings,
      value: before.value + (value - before.value) / readings,
      on: on > before.on ? on : before.on,
    });
  }
  return [...byKey.values()];
}

/** Some measured values with others laid over them. */
function over(below: readonly Measured[], above: readonly Measured[]): Measured[] {
  return [...below.filter(({ kind, key }) => !measuredOf(above, kind, key)), ...above];
}

import {
  formatForce,
  formatMass,
  formatSpeed,
  GRAVITY,
  KG_PER_GRAIN,
  type Measurable,
  type MeasuredKind,
  MATERIALS,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  modulusFromDroop,
  NEWTONS_PER_POUND,
  type Reading,
  sectionArea,
  type UnitSystem,
} from '@doceo/core';

type Of = Measurable['of'];

/** How a kind of reading is taken and typed: the unit on the label, and between it and SI. */
export interface ReadingUnit {
  /** What to do, in a few words. */
  how: string;
  unit: string;
  toSi: (typed: number) => number;
  fromSi: (value: number) => number;
  /** Least and most that are believed, as typed. */
  least: number;
  most: number;
}

/** Free length of a piece whose droop is taken, metres, and diameter it is taken at when nothing else is said. */
export const DROOP_LENGTH_M = 0.1;
const DROOP_DIAMETER_M = 0.000381;

/** The unit in which a reading is typed. */
export function readingUnit(of: Of, system: UnitSystem): ReadingUnit {
  const metric = system === 'metric';
  switch (of.kind) {
    case 'fly-mass':
      return mass('kitchen scale', metric);
    case 'fly-lift':
      return mass('weight below it until it sinks, in a bucket', metric);
    case 'indicator-lift':
      return mass('weight below it until it goes under', metric);
    case 'knot':
      return force('pull on a scale until it parts', metric);
    case 'material-strength':
      return force('wound on a scale, no knot', metric);
    case 'fly-sink':
    case 'line-sink': {
      const distanceM = metric ? 1 : 3 * METRES_PER_FOOT;
      return {
        how: metric ? 'seconds to sink one metre' : 'seconds to sink three feet',
        unit: metric ? 's/m' : 's/yd',
        toSi: (seconds) => distanceM / seconds,
        fromSi: (speed) => distanceM / speed,
        least: 0.4,
        most: 180,
      };
    }
    case 'material-stiffness': {
      const droopOf = (modulusPa: number): number => {
        const perMetre = MATERIALS[of.material].density * GRAVITY * sectionArea(DROOP_DIAMETER_M);
        const second = (Math.PI * DROOP_DIAMETER_M ** 4) / 64;
        return (perMetre * DROOP_LENGTH_M ** 4) / (8 * second * modulusPa);
      };
      const unitM = metric ? 0.001 : METRES_PER_INCH;
      return {
        how: metric
          ? '10 cm of 0.38 mm, held level: droop of its end'
          : '4 in of 0.015 in, held level: droop of its end',
        unit: metric ? 'mm' : 'in',
        toSi: (droop) => modulusFromDroop(of.material, DROOP_DIAMETER_M, DROOP_LENGTH_M, droop * unitM),
        fromSi: (modulusPa) => droopOf(modulusPa) / unitM,
        least: metric ? 0.5 : 0.02,
        most: metric ? 30 : 1.2,
      };
    }
  }
}

/** A reading's value for people. */
export function formatReading(
  { kind, value }: { kind: MeasuredKind | Reading['kind']; value: number },
  system: UnitSystem,
): string {
  switch (kind) {
    case 'knot':
    case 'material-strength':
      return formatForce(value, system);
    case 'fly-sink':
    case 'line-sink':
      return formatSpeed(value, system);
    case 'material-stiffness':
      return `${(value / 1e9).toFixed(1)} GPa`;
    case 'knot-share':
      return `${Math.round(value * 100)} %`;
    default:
      return formatMass(value, system);
  }
}

function mass(how: string, metric: boolean): ReadingUnit {
  const unitKg = metric ? 0.001 : KG_PER_GRAIN;
  return {
    how,
    unit: metric ? 'g' : 'gr',
    toSi: (typed) => typed * unitKg,
    fromSi: (kg) => kg / unitKg,
    least: metric ? 0.001 : 0.02,
    most: metric ? 50 : 770,
  };
}

function force(how: string, metric: boolean): ReadingUnit {
  const unitN = metric ? GRAVITY : NEWTONS_PER_POUND;
  return {
    how,
    unit: metric ? 'kg' : 'lb',
    toSi: (typed) => typed * unitN,
    fromSi: (newtons) => newtons / unitN,
    least: metric ? 0.02 : 0.05,
    most: metric ? 40 : 90,
  };
}

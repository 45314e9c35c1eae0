import { METRES_PER_FOOT, METRES_PER_INCH, type UnitSystem } from './length';

/** A number, or two with a dash or "to" between them, and a unit after it. */
const FIGURE = /(\d+(?:\.\d+)?)(?:(–|-| to )(\d+(?:\.\d+)?))? ?(mm|cm|m|ft|in)(?![\p{L}\d/²³]|\.\d| \d)/gu;
const UNIT_M: Record<string, number> = {
  mm: 0.001,
  cm: 0.01,
  m: 1,
  ft: METRES_PER_FOOT,
  in: METRES_PER_INCH,
};

/**
 * A text of ours with its lengths in the units of whoever reads it: `7 m` becomes `23 ft`, `10–15 cm` becomes `4–6 in`,
 * `leader 9 ft` becomes `leader 2.7 m`. Only for texts that ship; what people wrote stays as they wrote it.
 */
export function textInUnits(text: string, system: UnitSystem): string {
  return text.replace(
    FIGURE,
    (whole, first: string, dash: string | undefined, second: string | undefined, unit: string) => {
      const metric = unit === 'm' || unit === 'cm' || unit === 'mm';
      if (metric === (system === 'metric')) return whole;
      const told = (value: string, to: Target): string =>
        `${round((Number(value) * UNIT_M[unit]!) / to.unitM, to)}`;
      const to = targetOf(Number(second ?? first) * UNIT_M[unit]!, system);
      return `${told(first, to)}${dash && second ? dash + told(second, to) : ''} ${to.name}`;
    },
  );
}

interface Target {
  name: string;
  unitM: number;
  /** What a number of this unit is rounded to. */
  step: number;
}

/** The unit in which a length is told, and how finely. */
function targetOf(lengthM: number, system: UnitSystem): Target {
  if (system === 'imperial')
    return lengthM < 0.9
      ? { name: 'in', unitM: METRES_PER_INCH, step: lengthM < 0.02 ? 0.05 : lengthM < 0.1 ? 0.5 : 1 }
      : { name: 'ft', unitM: METRES_PER_FOOT, step: lengthM < 2 ? 0.5 : 1 };
  return lengthM < 1
    ? { name: 'cm', unitM: 0.01, step: 1 }
    : { name: 'm', unitM: 1, step: lengthM < 10 ? 0.1 : 1 };
}

function round(value: number, { step }: Target): number {
  return Number((Math.round(value / step) * step).toFixed(2));
}

import { CoreError } from '../../error';
import { METRES_PER_INCH, type UnitSystem, formatDiameter } from '../../units';

/** Diameters above 0X that are sold by thousandths of an inch only. */
export const BUTT_DIAMETERS_M = [0.012, 0.013, 0.017, 0.019, 0.021].map((inch) => inch * METRES_PER_INCH);

/**
 * Diameter of an X size: 0X is 0.011 in, each X one thousandth of an inch less.
 *
 * @param x whole number 0…8
 * @returns metres
 * @throws CoreError 'out-of-range' outside 0…8 or for a fraction
 */
export function diameterOfX(x: number): number {
  if (!Number.isInteger(x) || x < 0 || x > 8)
    throw new CoreError('out-of-range', { name: 'X size', value: x, min: 0, max: 8 });
  return ((11 - x) / 1000) * METRES_PER_INCH;
}

/**
 * The X size of a diameter, or null when it lies more than a quarter step from one.
 *
 * @returns 0…8
 */
export function xOfDiameter(diameterM: number): number | null {
  const exact = 11 - (diameterM / METRES_PER_INCH) * 1000;
  const x = Math.round(exact);
  return x >= 0 && x <= 8 && Math.abs(exact - x) <= 0.25 ? x : null;
}

/** `5X` where there is such a size, else the diameter. */
export function formatTippet(diameterM: number, system: UnitSystem): string {
  const x = xOfDiameter(diameterM);
  return x === null ? formatDiameter(diameterM, system) : `${x}X`;
}

/**
 * X size to start with for a hook size: hook ÷ 3, rounded. A rule of thumb; ÷ 4 is as common for bushy flies.
 *
 * @param hookSize even number 2…22, larger number is the smaller hook
 * @returns 0…8
 */
export function startingX(hookSize: number): number {
  return Math.min(8, Math.max(0, Math.round(hookSize / 3)));
}

import { deviation, mean as meanOf } from 'd3-array';
import { Z90 } from './normal';

/**
 * Mean of values with a 90 % interval of it, by the normal distribution.
 *
 * @param values two or more, of any unit; the result has the same
 */
export function meanInterval(values: readonly number[]): { mean: number; low: number; high: number } {
  const mean = meanOf(values) as number;
  const half = (Z90 * (deviation(values) as number)) / Math.sqrt(values.length);
  return { mean, low: mean - half, high: mean + half };
}

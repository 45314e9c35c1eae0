import { Z90 } from './normal';

/**
 * Mean of values with a 90 % interval of it, by the normal distribution, from what they add up to.
 *
 * @param count how many they are, two or more
 * @param sum of the values, of any unit; the result has the same
 * @param squares sum of their squares
 */
export function meanInterval(
  count: number,
  sum: number,
  squares: number,
): { mean: number; low: number; high: number } {
  const mean = sum / count;
  const variance = Math.max(0, (squares - count * mean ** 2) / (count - 1));
  const half = Z90 * Math.sqrt(variance / count);
  return { mean, low: mean - half, high: mean + half };
}

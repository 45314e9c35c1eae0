import { inRange } from '../error';
import { Z90 } from './normal';

/**
 * Interval of a share, by the score method of Wilson.
 *
 * @param count successes, 0…n
 * @param n trials, ≥ 0; with none the interval is 0…1
 * @param z normal quantile, default two-sided 90 %
 * @throws CoreError 'out-of-range'
 */
export function shareInterval(count: number, n: number, z = Z90): { low: number; high: number } {
  inRange('n', n, 0);
  inRange('count', count, 0, n);
  if (n === 0) return { low: 0, high: 1 };
  const share = count / n;
  const middle = (share + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((share * (1 - share)) / n + (z * z) / (4 * n * n));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

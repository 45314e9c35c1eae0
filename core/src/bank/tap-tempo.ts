import { deviation, mean, median } from 'd3-array';
import { unroll } from '../cast';
import { CoreError } from '../error';

/** A student's throw is so much faster or slower than the usual one, as a share of the time. Estimate. */
const THROW_SPREAD = 0.15;
/** Fewest taps that tell a pause each way. */
export const MIN_TAPS = 3;

export interface TapTempo {
  /** Median pause after the back stop and after the forward stop, seconds. The first tap is taken as a back stop. */
  backS: number;
  forwardS: number;
  /** Spread of the pauses against their mean, each way taken alone; 0 is a clock. */
  unevenness: number;
  /** What this length of line needs, seconds. */
  needed: { fromS: number; toS: number };
  verdict: 'hurried' | 'fits' | 'late';
}

/**
 * Time a length of line takes to unroll in the air, thrown as beginners do: the loop's own, with a spread to each side.
 *
 * @param lineM line beyond the rod tip, metres
 */
export function unrollTime(lineM: number): { fromS: number; toS: number } {
  const { seconds, constantSpeedS } = unroll({ lineM });
  const middleS = seconds ?? constantSpeedS;
  return { fromS: middleS * (1 - THROW_SPREAD), toS: middleS * (1 + THROW_SPREAD) };
}

/**
 * The rhythm of a student's casts from taps at each stop of the rod, back and forward by turns, against what the line
 * needs.
 *
 * @param tapsMs times of the taps, rising, at least MIN_TAPS
 * @throws CoreError 'out-of-range' for too few taps
 */
export function tapTempo(tapsMs: readonly number[], lineM: number): TapTempo {
  if (tapsMs.length < MIN_TAPS)
    throw new CoreError('out-of-range', { name: 'taps', value: tapsMs.length, min: MIN_TAPS });
  const pauses = tapsMs.slice(1).map((at, i) => (at - (tapsMs[i] as number)) / 1000);
  const back = pauses.filter((_, i) => i % 2 === 0);
  const forward = pauses.filter((_, i) => i % 2 === 1);
  const needed = unrollTime(lineM);
  const backS = median(back) ?? 0;
  return {
    backS,
    forwardS: median(forward) ?? 0,
    unevenness: Math.max(spread(back), spread(forward)),
    needed,
    verdict: backS < needed.fromS ? 'hurried' : backS > needed.toS ? 'late' : 'fits',
  };
}

/** Standard deviation ÷ mean; 0 for fewer than two. */
function spread(values: readonly number[]): number {
  const average = mean(values) ?? 0;
  return average > 0 ? (deviation(values) ?? 0) / average : 0;
}

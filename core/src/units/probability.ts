/** Closest to certainty a model from finite evidence may come in words. */
const NEAREST = 0.01;

/**
 * A probability to two digits, never as certainty: `0.41`, at most `0.99`, at least `0.01`.
 *
 * @param probability 0 to 1
 */
export function formatProbability(probability: number): string {
  return Math.min(1 - NEAREST, Math.max(NEAREST, probability)).toFixed(2);
}

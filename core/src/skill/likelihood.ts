import { seenBy } from './evidence';
import type { TracingParameters } from './parameters';
import { type Attempt, retained } from './tracing';

/**
 * How well one set of parameters foretells a sequence of attempts.
 *
 * @param sequence in the order of time
 * @returns natural logarithm of its probability, 0 or less
 */
export function logLikelihood(sequence: readonly Attempt[], parameters: TracingParameters): number {
  let mastery = parameters.initial;
  let log = 0;
  let previousMs: number | null = null;
  for (const attempt of sequence) {
    const { atMs, good } = attempt;
    const { slip, guess, learn } = seenBy(parameters, attempt);
    if (previousMs !== null) mastery *= retained(atMs - previousMs);
    previousMs = atMs;
    const together = mastery * (good ? 1 - slip : slip);
    const seen = together + (1 - mastery) * (good ? guess : 1 - guess);
    log += Math.log(seen);
    mastery = together / seen + (1 - together / seen) * learn;
  }
  return log;
}

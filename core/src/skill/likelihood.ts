import { seenBy } from './evidence';
import type { TracingParameters } from './parameters';
import { type Attempt, retained } from './tracing';

/** Logarithm of the probability of a sequence of attempts, in the order of time, under one set of parameters. */
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

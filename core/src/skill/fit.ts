import { logLikelihood } from './likelihood';
import type { FittedParameter, TracingParameters } from './parameters';
import { type Attempt, inOrder } from './tracing';

/** Students and attempts below which a school's own records say too little; priors are used then. */
export const MIN_FIT_STUDENTS = 12;
export const MIN_FIT_ATTEMPTS = 200;

const grid = (from: number, to: number, steps: number): number[] =>
  Array.from({ length: steps }, (_, i) => from + ((to - from) * i) / (steps - 1));

/** Parameters tried, equally likely before any record is seen. */
const TRIED: readonly TracingParameters[] = grid(0.05, 0.5, 5).flatMap((initial) =>
  grid(0.02, 0.16, 5).flatMap((learn) =>
    grid(0.04, 0.24, 5).flatMap((slip) =>
      grid(0.08, 0.36, 5).map((guess) => ({ initial, learn, slip, guess })),
    ),
  ),
);

export interface SkillFit {
  /** Whether there was enough to fit; else the means are those of the prior. */
  enough: boolean;
  students: number;
  attempts: number;
  /** Mean and standard deviation of each parameter over what fits the records. */
  mean: TracingParameters;
  spread: TracingParameters;
}

/**
 * Parameters of one skill from the records of many students: the likelihood of all sequences under each set tried,
 * weighed and averaged. Forgetting between sessions is as in the tracing. Good to about half a step of what is tried.
 *
 * @param students attempts at the skill, one list a student, in any order
 */
export function fitSkill(students: readonly (readonly Attempt[])[]): SkillFit {
  const sequences = students.filter(({ length }) => length > 0).map((attempts) => inOrder(attempts));
  const attempts = sequences.reduce((sum, { length }) => sum + length, 0);
  const enough = sequences.length >= MIN_FIT_STUDENTS && attempts >= MIN_FIT_ATTEMPTS;
  const logs = TRIED.map((parameters) =>
    enough ? sequences.reduce((sum, sequence) => sum + logLikelihood(sequence, parameters), 0) : 0,
  );
  const top = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - top));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const over = (of: (parameters: TracingParameters) => number): number =>
    TRIED.reduce((sum, parameters, i) => sum + (of(parameters) * (weights[i] as number)) / total, 0);
  const mean = each((key) => over((parameters) => parameters[key]));
  const spread = each((key) =>
    Math.sqrt(
      Math.max(
        0,
        over((parameters) => (parameters[key] - mean[key]) ** 2),
      ),
    ),
  );
  return { enough, students: sequences.length, attempts, mean, spread };
}

function each(value: (key: FittedParameter) => number): TracingParameters {
  return { initial: value('initial'), learn: value('learn'), slip: value('slip'), guess: value('guess') };
}

import { type FittedSkills, parametersFor, traceSkill } from '../skill';
import type { SimulatedRecord } from './school';

/** What was foretold between two probabilities, and how often it happened. */
export interface CalibrationBand {
  from: number;
  to: number;
  n: number;
  /** Mean of what was foretold in the band. */
  predicted: number;
  /** Share of it that is true. */
  happened: number;
}

/**
 * Traces simulated students as if they were real, and sets what is foretold beside the truth the tracing never saw:
 * whether the skill is mastered after the last attempt.
 *
 * @param bands how many of equal width from 0 to 1; empty ones are left out
 */
export function calibrate(
  school: readonly SimulatedRecord[],
  bands = 10,
  fitted: FittedSkills = {},
): CalibrationBand[] {
  const pairs = school.flatMap(({ attempts, truth }) =>
    truth.map(({ skillId, mastered }) => {
      const own = attempts.filter((attempt) => attempt.skillId === skillId);
      const lastMs = Math.max(...own.map(({ atMs }) => atMs));
      return { predicted: traceSkill(own, lastMs, parametersFor(fitted, skillId)).mastery, mastered };
    }),
  );
  return Array.from({ length: bands }, (_, band) => {
    const [from, to] = [band / bands, (band + 1) / bands];
    const inside = pairs.filter(
      ({ predicted }) => Math.min(bands - 1, Math.floor(predicted * bands)) === band,
    );
    return {
      from,
      to,
      n: inside.length,
      predicted: inside.reduce((sum, { predicted }) => sum + predicted, 0) / inside.length,
      happened: inside.filter(({ mastered }) => mastered).length / inside.length,
    };
  }).filter(({ n }) => n > 0);
}

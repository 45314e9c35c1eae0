import { MIN_FIT_ATTEMPTS, MIN_FIT_STUDENTS } from './fit';
import { logLikelihood } from './likelihood';
import { PARAMETER_GRID, type TracingParameters } from './parameters';
import { type Attempt, inOrder } from './tracing';

/** Shares tried: what is left of the trust in an attempt that nobody else saw. Never all of it. */
const TRIED = Array.from({ length: 19 }, (_, i) => 0.05 * (i + 1));

/** How far what was done at home is believed. */
export interface HomeTrust {
  /** Whether there was enough to learn it from; else it is the rule of thumb. */
  enough: boolean;
  /** Students with attempts at home and others, and attempts at home. */
  students: number;
  attempts: number;
  /** Share of the trust in the same attempt under the instructor's eyes that is left, 0…1, and its standard deviation. */
  trust: number;
  spread: number;
}

/** The records of one student's skill, and the parameters that are plausible for it. */
export interface HomeRecord {
  studentId: string;
  attempts: readonly Attempt[];
  /** The prior that ships when left out. */
  grid?: readonly TracingParameters[];
}

/**
 * How much attempts at home say, learned from how well they agree with what the instructor saw of the same students.
 * The likelihood of each record is averaged over the plausible parameters, for each share tried; before any record is
 * seen a share is believed like h²(1 − h), whose mean is the rule of thumb of 0.6. Good to about the step of 0.05.
 *
 * @param records one for each student and skill; those without an attempt at home say nothing of it and are left out
 */
export function fitHomeTrust(records: readonly HomeRecord[]): HomeTrust {
  const telling = records
    .map((record) => ({ ...record, attempts: inOrder(record.attempts) }))
    .filter(({ attempts }) => attempts.some(({ home }) => home) && attempts.some(({ home }) => !home));
  const students = new Set(telling.map(({ studentId }) => studentId)).size;
  const attempts = telling.reduce((sum, one) => sum + one.attempts.filter(({ home }) => home).length, 0);
  const enough = students >= MIN_FIT_STUDENTS && attempts >= MIN_FIT_ATTEMPTS;
  const logs = TRIED.map((home) => {
    const prior = Math.log(home * home * (1 - home));
    if (!enough) return prior;
    return telling.reduce((sum, { attempts: sequence, grid = PARAMETER_GRID }) => {
      const each = grid.map((parameters) => logLikelihood(sequence, { ...parameters, home }));
      const top = Math.max(...each);
      const mean = each.reduce((total, log) => total + Math.exp(log - top), 0) / each.length;
      return sum + top + Math.log(mean);
    }, prior);
  });
  const top = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - top));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const over = (of: (home: number) => number): number =>
    TRIED.reduce((sum, home, i) => sum + (of(home) * (weights[i] as number)) / total, 0);
  const trust = over((home) => home);
  return { enough, students, attempts, trust, spread: Math.sqrt(over((home) => (home - trust) ** 2)) };
}

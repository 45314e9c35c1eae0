import type { DrilledAttempt } from '../bank';
import { meanInterval } from '../statistics';

/** Bouts or lessons, and students, below which nothing is said of a drill or a plan. */
export const MIN_EFFECT = 5;
export const MIN_EFFECT_STUDENTS = 3;

/** How much the estimates rose, on the mean over bouts, with a 90 % interval of that mean. */
export interface Effect {
  /** Bouts of a drill, or students' lessons of a plan. */
  n: number;
  students: number;
  attempts: number;
  /** null below the least n. */
  rise: { mean: number; low: number; high: number } | null;
  /** Share of attempts that were good in the first and in the last third of all bouts; null below the least n. */
  good: { first: number; last: number } | null;
}

/** One student's stretch of attempts at one skill, in one lesson. */
export interface Bout {
  studentId: string;
  attempts: readonly DrilledAttempt[];
  rise: number;
}

/** What bouts add up to, so that those of one student after the other can be put together. */
export interface EffectSums {
  bouts: number;
  students: number;
  attempts: number;
  riseSum: number;
  riseSquares: number;
  /** Attempts in the first and in the last third of each bout, and how many of them were good. */
  first: { good: number; of: number };
  last: { good: number; of: number };
}

/** Puts sums of the same thing together, by its id. */
export function together(parts: readonly [string, EffectSums][]): Map<string, EffectSums> {
  const whole = new Map<string, EffectSums>();
  for (const [id, part] of parts) {
    const before = whole.get(id);
    whole.set(id, before ? added(before, part) : part);
  }
  return whole;
}

function added(a: EffectSums, b: EffectSums): EffectSums {
  return {
    bouts: a.bouts + b.bouts,
    students: a.students + b.students,
    attempts: a.attempts + b.attempts,
    riseSum: a.riseSum + b.riseSum,
    riseSquares: a.riseSquares + b.riseSquares,
    first: { good: a.first.good + b.first.good, of: a.first.of + b.first.of },
    last: { good: a.last.good + b.last.good, of: a.last.of + b.last.of },
  };
}

/** @param bouts of one student */
export function sumsOf(bouts: readonly Bout[]): EffectSums {
  const share = (of: (attempts: readonly DrilledAttempt[]) => readonly DrilledAttempt[]) => {
    const all = bouts.flatMap(({ attempts }) => of(attempts));
    return { good: all.filter(({ good }) => good).length, of: all.length };
  };
  return {
    ...{ bouts: bouts.length, students: 1 },
    attempts: bouts.reduce((sum, { attempts }) => sum + attempts.length, 0),
    riseSum: bouts.reduce((sum, { rise }) => sum + rise, 0),
    riseSquares: bouts.reduce((sum, { rise }) => sum + rise ** 2, 0),
    first: share((attempts) => attempts.slice(0, third(attempts))),
    last: share((attempts) => attempts.slice(-third(attempts))),
  };
}

/** What sums say; nothing of too few. */
export function effectOf({
  bouts,
  students,
  attempts,
  riseSum,
  riseSquares,
  first,
  last,
}: EffectSums): Effect {
  const enough = bouts >= MIN_EFFECT && students >= MIN_EFFECT_STUDENTS;
  return {
    ...{ n: bouts, students, attempts },
    rise: enough ? meanInterval(bouts, riseSum, riseSquares) : null,
    good: enough ? { first: first.good / first.of, last: last.good / last.of } : null,
  };
}

function third(attempts: readonly unknown[]): number {
  return Math.max(1, Math.floor(attempts.length / 3));
}

/** One attempt at a skill. */
export interface Attempt {
  /** Epoch milliseconds. */
  atMs: number;
  /** Breaks ties of time, so that the order is the same everywhere. */
  id: string;
  good: boolean;
}

/** Parameters of knowledge tracing for one skill; all probabilities 0…1. */
export interface TracingParameters {
  /** Mastered before the first attempt. */
  initial: number;
  /** Becomes mastered by one attempt. */
  learn: number;
  /** Fails although mastered. */
  slip: number;
  /** Succeeds although not mastered. */
  guess: number;
}

/** What is believed about one student's skill. */
export interface SkillEstimate {
  /** Probability of mastery now, 0…1. */
  mastery: number;
  /** 10th and 90th percentile of mastery over the plausible parameters. */
  low: number;
  high: number;
  /** Probability that the next attempt is good. */
  nextGood: number;
  /** Mean learning probability per attempt, for expected gains. */
  learn: number;
  attempts: number;
  goods: number;
  lastAtMs: number | null;
}

/** A gap longer than this between attempts ends a session, hours. */
export const SESSION_GAP_HOURS = 6;

/** Mastery decays between sessions with this time constant, days. A prior; records may refine it. */
export const FORGET_DAYS = 180;

/** Weights are scaled up when the largest falls below this, long before it could underflow. */
const MIN_WEIGHT = 1e-100;

const MS_PER_HOUR = 3_600_000;
const MS_PER_DAY = 24 * MS_PER_HOUR;

const INITIAL = [0.08, 0.35];
const LEARN = [0.02, 0.05, 0.11];
const SLIP = [0.06, 0.13, 0.22];
const GUESS = [0.12, 0.22, 0.34];

/** Plausible parameters, equally likely before any attempt is seen. */
export const PARAMETER_GRID: readonly TracingParameters[] = INITIAL.flatMap((initial) =>
  LEARN.flatMap((learn) => SLIP.flatMap((slip) => GUESS.map((guess) => ({ initial, learn, slip, guess })))),
);

/**
 * Share of mastery that is left after a time away; 1 within a session.
 *
 * @returns 0…1
 */
export function retained(gapMs: number): number {
  return gapMs <= SESSION_GAP_HOURS * MS_PER_HOUR ? 1 : Math.exp(-gapMs / MS_PER_DAY / FORGET_DAYS);
}

/** Attempts in the one order used everywhere: by time, then by id. */
export function inOrder<T extends { atMs: number; id: string }>(attempts: readonly T[]): T[] {
  return [...attempts].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

/**
 * Traces one skill through all its attempts.
 *
 * Bayesian knowledge tracing run once for each plausible set of parameters; the sets are weighted by how well they
 * foretold the attempts (their likelihood), which gives the mean and, by the weighted percentiles, how sure it is.
 * Between sessions mastery is forgotten. The result depends only on the set of attempts, not on their order of arrival:
 * taking one away gives exactly the state without it.
 *
 * @param attempts any order
 * @param nowMs epoch milliseconds for which the estimate is wanted; forgetting runs up to it
 * @param grid plausible parameters; the default is the prior that ships
 */
export function traceSkill(
  attempts: readonly Attempt[],
  nowMs: number,
  grid: readonly TracingParameters[] = PARAMETER_GRID,
): SkillEstimate {
  const ordered = inOrder(attempts);
  const masteries = Float64Array.from(grid, (parameters) => parameters.initial);
  const weights = new Float64Array(grid.length).fill(1);
  let previousMs: number | null = null;
  for (const attempt of ordered) {
    step(
      grid,
      masteries,
      weights,
      attempt.good,
      previousMs === null ? 1 : retained(attempt.atMs - previousMs),
    );
    previousMs = attempt.atMs;
  }
  const kept = previousMs === null ? 1 : retained(nowMs - previousMs);
  for (let i = 0; i < masteries.length; i++) masteries[i] = (masteries[i] as number) * kept;
  return summarise(grid, masteries, normalised(weights), ordered);
}

/**
 * Mean mastery just before and just after each attempt, in the order of time: the course the estimate took. The last
 * `after` is what `traceSkill` says at that moment.
 */
export function traceCourse(
  attempts: readonly Attempt[],
  grid: readonly TracingParameters[] = PARAMETER_GRID,
): { id: string; before: number; after: number }[] {
  const masteries = Float64Array.from(grid, (parameters) => parameters.initial);
  const weights = new Float64Array(grid.length).fill(1);
  const mean = (kept: number): number => {
    let [sum, total] = [0, 0];
    for (let i = 0; i < masteries.length; i++) {
      sum += (weights[i] as number) * (masteries[i] as number) * kept;
      total += weights[i] as number;
    }
    return sum / total;
  };
  let previousMs: number | null = null;
  return inOrder(attempts).map(({ id, atMs, good }) => {
    const kept = previousMs === null ? 1 : retained(atMs - previousMs);
    previousMs = atMs;
    const before = mean(kept);
    step(grid, masteries, weights, good, kept);
    return { id, before, after: mean(1) };
  });
}

/** One attempt: forgetting, Bayes, learning, for every set of parameters. Changes the two arrays it is given. */
function step(
  grid: readonly TracingParameters[],
  masteries: Float64Array,
  weights: Float64Array,
  good: boolean,
  kept: number,
): void {
  let top = 0;
  for (let i = 0; i < grid.length; i++) {
    const { slip, guess, learn } = grid[i] as TracingParameters;
    const mastery = (masteries[i] as number) * kept;
    const together = mastery * (good ? 1 - slip : slip);
    const seen = together + (1 - mastery) * (good ? guess : 1 - guess);
    const posterior = together / seen;
    masteries[i] = posterior + (1 - posterior) * learn;
    const weight = (weights[i] as number) * seen;
    weights[i] = weight;
    if (weight > top) top = weight;
  }
  if (top < MIN_WEIGHT) for (let i = 0; i < weights.length; i++) weights[i] = (weights[i] as number) / top;
}

function normalised(weights: Float64Array): Float64Array {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

function summarise(
  grid: readonly TracingParameters[],
  masteries: Float64Array,
  weights: Float64Array,
  ordered: Attempt[],
): SkillEstimate {
  const mean = (value: (i: number) => number): number => {
    let sum = 0;
    for (let i = 0; i < weights.length; i++) sum += (weights[i] as number) * value(i);
    return sum;
  };
  const nextGood = mean((i) => {
    const { slip, guess } = grid[i] as TracingParameters;
    const mastery = masteries[i] as number;
    return mastery * (1 - slip) + (1 - mastery) * guess;
  });
  const order = Array.from(masteries.keys()).sort(
    (a, b) => (masteries[a] as number) - (masteries[b] as number),
  );
  const percentile = (share: number): number => {
    let sum = 0;
    for (const i of order) {
      sum += weights[i] as number;
      if (sum >= share) return masteries[i] as number;
    }
    return masteries[order[order.length - 1] as number] as number;
  };
  return {
    mastery: mean((i) => masteries[i] as number),
    low: percentile(0.1),
    high: percentile(0.9),
    nextGood,
    learn: mean((i) => (grid[i] as TracingParameters).learn),
    attempts: ordered.length,
    goods: ordered.filter((attempt) => attempt.good).length,
    lastAtMs: ordered.at(-1)?.atMs ?? null,
  };
}

import { type Seen, seenBy, seenKey } from './evidence';
import { PARAMETER_GRID, type TracingParameters } from './parameters';
import { FORGET_DAYS } from './skill';

/** One attempt at a skill, and how it was seen. */
export interface Attempt extends Seen {
  /** Epoch milliseconds. */
  atMs: number;
  /** Breaks ties of time, so that the order is the same everywhere. */
  id: string;
  good: boolean;
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

/** Weights are scaled up when the largest falls below this, long before it could underflow. */
const MIN_WEIGHT = 1e-100;

const MS_PER_HOUR = 3_600_000;
const MS_PER_DAY = 24 * MS_PER_HOUR;

/**
 * Share of mastery that is left after a time away; 1 within a session.
 *
 * @param forgetDays days after which a third of it (1/e) is left
 * @returns 0…1
 */
export function retained(gapMs: number, forgetDays = FORGET_DAYS): number {
  return gapMs <= SESSION_GAP_HOURS * MS_PER_HOUR ? 1 : Math.exp(-gapMs / MS_PER_DAY / forgetDays);
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
 * @param grid plausible parameters of an attempt in a drill; the default is the prior that ships
 * @param forgetDays days away after which a third is left
 */
export function traceSkill(
  attempts: readonly Attempt[],
  nowMs: number,
  grid: readonly TracingParameters[] = PARAMETER_GRID,
  forgetDays = FORGET_DAYS,
): SkillEstimate {
  const { masteries, weights } = traceBelief(attempts, nowMs, grid, forgetDays);
  return summarise(grid, masteries, weights, inOrder(attempts));
}

/** What is believed of one student's skill, for each set of plausible parameters. */
export interface SkillBelief {
  /** Probability of mastery by each set, 0…1. */
  masteries: Float64Array;
  /** How much each set is believed; they add up to 1. */
  weights: Float64Array;
}

/**
 * The belief behind `traceSkill`, of the same arguments.
 *
 * @param nowMs epoch milliseconds for which it is wanted
 * @param forgetDays days away after which a third is left
 */
export function traceBelief(
  attempts: readonly Attempt[],
  nowMs: number,
  grid: readonly TracingParameters[] = PARAMETER_GRID,
  forgetDays = FORGET_DAYS,
): SkillBelief {
  const masteries = Float64Array.from(grid, (parameters) => parameters.initial);
  const weights = new Float64Array(grid.length).fill(1);
  const seenAs = gridsOf(grid);
  let previousMs: number | null = null;
  for (const attempt of inOrder(attempts)) {
    const kept = previousMs === null ? 1 : retained(attempt.atMs - previousMs, forgetDays);
    believe(seenAs(attempt), { masteries, weights }, attempt.good, kept);
    previousMs = attempt.atMs;
  }
  const kept = previousMs === null ? 1 : retained(nowMs - previousMs, forgetDays);
  return { masteries: masteries.map((mastery) => mastery * kept), weights: normalised(weights) };
}

/**
 * Mean mastery just before and just after each attempt, in the order of time: the course the estimate took. The last
 * `after` is what `traceSkill` says at that moment.
 */
export function traceCourse(
  attempts: readonly Attempt[],
  grid: readonly TracingParameters[] = PARAMETER_GRID,
  forgetDays = FORGET_DAYS,
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
  const seenAs = gridsOf(grid);
  let previousMs: number | null = null;
  return inOrder(attempts).map((attempt) => {
    const { id, atMs, good } = attempt;
    const kept = previousMs === null ? 1 : retained(atMs - previousMs, forgetDays);
    previousMs = atMs;
    const before = mean(kept);
    believe(seenAs(attempt), { masteries, weights }, good, kept);
    return { id, before, after: mean(1) };
  });
}

/** Grids as each way of seeing a skill reads them, made once for each. */
const GRIDS = new WeakMap<readonly TracingParameters[], Map<number, readonly TracingParameters[]>>();

function gridsOf(grid: readonly TracingParameters[]): (seen: Seen) => readonly TracingParameters[] {
  const made = GRIDS.get(grid) ?? new Map<number, readonly TracingParameters[]>();
  GRIDS.set(grid, made);
  return (seen) => {
    if (seen.evidence === undefined && !seen.home) return grid;
    const key = seenKey(seen);
    let found = made.get(key);
    if (!found) made.set(key, (found = grid.map((parameters) => seenBy(parameters, seen))));
    return found;
  };
}

/**
 * One attempt: forgetting, Bayes, learning, for every set of parameters. Changes the two arrays of the belief; its weights
 * need not add up to 1 afterwards.
 *
 * @param grid the sets as this attempt was seen
 * @param kept share of mastery that is left since the attempt before, 0…1
 */
export function believe(
  grid: readonly TracingParameters[],
  { masteries, weights }: SkillBelief,
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

import { pickWeighted, type Random, seededRandom } from '../../random';
import {
  type Attempt,
  believe,
  FORGET_DAYS,
  PARAMETER_GRID,
  retained,
  seenBy,
  type SkillBelief,
  traceBelief,
  type TracingParameters,
} from '../../skill';

/** Attempts at one skill at a lesson to come. */
export interface ComingPractice {
  /** Epoch milliseconds. */
  atMs: number;
  /** Bouts of them: how many attempts, 0 and more, and whether it is the main thing of its drill. */
  bouts: readonly { attempts: number; main: boolean }[];
}

/** Where a skill is expected to be at a moment: mastery as it will be believed then, each 0…1. */
export interface ForecastPoint {
  /** Epoch milliseconds. */
  atMs: number;
  mean: number;
  /** A tenth of all courses lies below, and a tenth above. */
  low: number;
  high: number;
}

export interface SkillForecast {
  /** Probability that he masters it now, and when it is wanted, 0…1. */
  now: number;
  chance: number;
  /** After each lesson, and when it is wanted. */
  course: ForecastPoint[];
}

export interface ForecastOptions {
  grid?: readonly TracingParameters[];
  /** Days away after which a third is left. */
  forgetDays?: number;
  /** How many courses are played for the band, 1 and more. */
  runs?: number;
  seed?: string;
}

const USUAL_RUNS = 120;
const TENTH = 0.1;

/**
 * How a skill goes on over lessons to come: what is believed now is carried on by the model of the tracing. The chance is
 * exact for it; the band is that of courses played, each with a draw of what is true and of how every attempt goes.
 *
 * @param attempts what was seen of it until now
 * @param nowMs epoch milliseconds
 * @param lessons in the order of time
 * @param untilMs when it is wanted, epoch milliseconds
 */
export function forecastSkill(
  attempts: readonly Attempt[],
  nowMs: number,
  lessons: readonly ComingPractice[],
  untilMs: number,
  {
    grid = PARAMETER_GRID,
    forgetDays = FORGET_DAYS,
    runs = USUAL_RUNS,
    seed = 'course',
  }: ForecastOptions = {},
): SkillForecast {
  const belief = beliefOf(attempts, nowMs, { grid, forgetDays });
  const { begin, away, lastMs } = belief;
  const moments = [...lessons.map(({ atMs }) => atMs), untilMs];
  const means = expectedAt(belief, lessons, moments);
  const played = Array.from({ length: runs }, (_, run) =>
    playCourse({ ...belief, lessons, moments }, seededRandom(`${seed}/${run}`)),
  );
  const nowShare = away(lastMs, nowMs);
  return {
    now: meanOf(begin.masteries, begin.weights) * nowShare,
    chance: means.at(-1)!,
    course: moments.map((atMs, i) => {
      const found = played.map((course) => course[i]!).sort((a, b) => a - b);
      const at = (share: number): number => found[Math.round(share * (found.length - 1))]!;
      return { atMs, mean: means[i]!, low: at(TENTH), high: at(1 - TENTH) };
    }),
  };
}

/** More attempts than these are no answer: nobody keeps at one thing for so long. */
const MAX_MORE = 240;

/**
 * How many attempts more at one of the lessons would make a skill likely enough when it is wanted, by the same law.
 *
 * @param attempts what was seen of it until now
 * @param nowMs epoch milliseconds
 * @param lessons in the order of time
 * @param untilMs when it is wanted, epoch milliseconds
 * @param lesson at which of them, from 0
 * @param enough the chance that is wanted, 0…1
 * @returns attempts, whole, 0 where it is likely enough without; null where 240 would not do
 */
export function attemptsWanting(
  attempts: readonly Attempt[],
  nowMs: number,
  lessons: readonly ComingPractice[],
  untilMs: number,
  {
    lesson,
    enough,
    grid = PARAMETER_GRID,
    forgetDays = FORGET_DAYS,
  }: { lesson: number; enough: number } & Pick<ForecastOptions, 'grid' | 'forgetDays'>,
): number | null {
  const belief = beliefOf(attempts, nowMs, { grid, forgetDays });
  const moments = [...lessons.map(({ atMs }) => atMs), untilMs];
  const isEnough = (more: number): boolean => {
    const given = lessons.map((one, i) =>
      i === lesson && more > 0 ? { ...one, bouts: [...one.bouts, { attempts: more, main: true }] } : one,
    );
    return expectedAt(belief, given, moments).at(-1)! >= enough;
  };
  if (isEnough(0)) return 0;
  if (!isEnough(MAX_MORE)) return null;
  // More attempts never make it less likely: the least that do lie between what does not and what does.
  let [without, within] = [0, MAX_MORE];
  while (within - without > 1) {
    const middle = Math.floor((without + within) / 2);
    if (isEnough(middle)) within = middle;
    else without = middle;
  }
  return within;
}

/** What is believed of a skill now, and how it is carried on. */
interface CarriedBelief {
  begin: SkillBelief;
  /** The parameters of what is the main thing of a drill, and of what it shows besides. */
  grid: readonly TracingParameters[];
  side: readonly TracingParameters[];
  /** What is left from one moment to another; all of what was never tried. */
  away: (fromMs: number | null, toMs: number) => number;
  /** When it was tried last; null for never. */
  lastMs: number | null;
}

function beliefOf(
  attempts: readonly Attempt[],
  nowMs: number,
  { grid, forgetDays }: { grid: readonly TracingParameters[]; forgetDays: number },
): CarriedBelief {
  const lastMs = attempts.reduce<number | null>((last, { atMs }) => Math.max(last ?? atMs, atMs), null);
  return {
    // What was never tried is not forgotten: it is not there yet, or was there all the time.
    begin: traceBelief(attempts, lastMs ?? nowMs, grid, forgetDays),
    grid,
    side: grid.map((parameters) => seenBy(parameters, { evidence: 'side' })),
    away: (fromMs, toMs) => (fromMs === null ? 1 : retained(toMs - fromMs, forgetDays)),
    lastMs,
  };
}

/** The mastery that is expected after each lesson, and at the moments behind them. */
function expectedAt(
  { begin, grid, side, away, lastMs }: CarriedBelief,
  lessons: readonly ComingPractice[],
  moments: readonly number[],
): number[] {
  let masteries = begin.masteries;
  let sinceMs = lastMs;
  return moments.map((atMs, i) => {
    masteries = masteries.map((mastery) => mastery * away(sinceMs, atMs));
    const bouts = lessons[i]?.bouts ?? [];
    for (const { attempts: tries, main } of bouts)
      masteries = masteries.map(
        (mastery, k) => 1 - (1 - mastery) * (1 - (main ? grid : side)[k]!.learn) ** tries,
      );
    if (bouts.length > 0 || sinceMs !== null) sinceMs = atMs;
    return meanOf(masteries, begin.weights);
  });
}

/**
 * What was believed of a skill at moments that are over, by what was seen until each.
 *
 * @param attempts what was seen of it until now
 * @param momentsMs epoch milliseconds
 * @returns mastery at each moment, 0…1
 */
export function believedAt(
  attempts: readonly Attempt[],
  momentsMs: readonly number[],
  { grid = PARAMETER_GRID, forgetDays = FORGET_DAYS }: Pick<ForecastOptions, 'grid' | 'forgetDays'> = {},
): number[] {
  return momentsMs.map((atMs) => {
    const seen = attempts.filter((one) => one.atMs <= atMs);
    const { masteries, weights } = traceBelief(seen, atMs, grid, forgetDays);
    return meanOf(masteries, weights);
  });
}

interface CoursePlay extends CarriedBelief {
  lessons: readonly ComingPractice[];
  moments: readonly number[];
}

/** One course that may come: what will be believed of the skill at each moment, as its attempts go. */
function playCourse(
  { begin, grid, side, lessons, moments, away, lastMs }: CoursePlay,
  random: Random,
): number[] {
  const sets = Array.from(grid.keys());
  const trueSet = pickWeighted(random, sets, (k) => begin.weights[k]!);
  let mastered = random() < begin.masteries[trueSet]!;
  const masteries = begin.masteries.slice();
  const weights = begin.weights.slice();
  let sinceMs = lastMs;
  return moments.map((atMs, i) => {
    const kept = away(sinceMs, atMs);
    if (mastered && random() >= kept) mastered = false;
    for (const k of sets) masteries[k]! *= kept;
    const bouts = lessons[i]?.bouts ?? [];
    for (const { attempts, main } of bouts)
      for (let n = 0; n < attempts; n++) {
        const own = (main ? grid : side)[trueSet]!;
        const good = random() < (mastered ? 1 - own.slip : own.guess);
        if (!mastered && random() < own.learn) mastered = true;
        believe(main ? grid : side, { masteries, weights }, good, 1);
      }
    if (bouts.length > 0 || sinceMs !== null) sinceMs = atMs;
    return meanOf(masteries, weights);
  });
}

function meanOf(masteries: Float64Array, weights: Float64Array): number {
  let [sum, total] = [0, 0];
  masteries.forEach((mastery, k) => {
    sum += mastery * weights[k]!;
    total += weights[k]!;
  });
  return sum / total;
}

import { normalShare } from '../statistics';

/** What a drill or a plan did in one school: how much more of its students had the skill afterwards. No student is in it. */
export interface SchoolEffect {
  school: string;
  /** Students and lessons it was seen in, plain numbers. */
  students: number;
  lessons: number;
  /** Mean rise over the students, as a share of them, -1…1. */
  mean: number;
  /** Standard deviation of the rise between its students, same unit. */
  spread: number;
}

/** A value with the band in which it lies in 8 of 10 such cases, as shares, -1…1. */
interface Band {
  mean: number;
  low: number;
  high: number;
}

/** Effects of several schools taken together. */
export interface PooledEffect extends Band {
  /** How much schools differ by more than chance, a standard deviation in the same unit. */
  between: number;
  /** Students in it, a plain number. */
  students: number;
  schools: (Band & { school: string; students: number })[];
}

/** Below this many students of this many lessons nothing is told of a school: they could be known by it. */
export const LEAST_STUDENTS = 5;
export const LEAST_LESSONS = 3;

/** Outcomes of several instructors of one school, as the school's own effect. */
export function schoolEffect(
  school: string,
  outcomes: readonly { students: number; lessons: number; riseSum: number; riseSquares: number }[],
): SchoolEffect {
  const total = (of: (one: (typeof outcomes)[number]) => number): number =>
    outcomes.reduce((sum, one) => sum + of(one), 0);
  const students = total((one) => one.students);
  const mean = students > 0 ? total((one) => one.riseSum) / students : 0;
  const squares = total((one) => one.riseSquares) - students * mean ** 2;
  return {
    ...{ school, students, mean },
    lessons: total((one) => one.lessons),
    spread: students > 1 ? Math.sqrt(Math.max(0, squares) / (students - 1)) : 0,
  };
}

/** How much schools usually differ in such rises, a standard deviation; what is found weighs against it. */
const USUAL_BETWEEN = 0.15;
/** Standard deviations of the usual that are thought of, and steps of the sum over them. */
const MOST_BETWEEN = 4;
const STEPS = 80;
/** Students rise by so much more or less at the least, whatever a few of them did. */
const LEAST_SPREAD = 0.05;
const BAND = 0.8;

/** One size of the differences between schools, how likely it is, and what all schools come to then. */
interface Level {
  between: number;
  weight: number;
  mean: number;
  variance: number;
}

/**
 * Effects of schools pooled with shrinkage: each school is drawn to the mean of all, the more the fewer students it has and
 * the less schools differ. A normal model with schools as a random sample of schools (empirical Bayes), in which the size of
 * their differences is averaged over what is likely instead of set to one guess: with three schools one guess is often 0,
 * and bands are too narrow.
 *
 * Schools below the limit are left out, and not counted. It is no trial: nobody drew lots.
 *
 * @returns null where no school is left
 */
export function poolEffects(effects: readonly SchoolEffect[]): PooledEffect | null {
  const told = effects.filter(
    ({ students, lessons }) => students >= LEAST_STUDENTS && lessons >= LEAST_LESSONS,
  );
  if (told.length === 0) return null;
  const variance = commonVariance(told);
  const seen = told.map(({ mean, students }) => ({ mean, variance: variance / students }));
  const levels = levelsOf(seen);
  const all = levels.map(({ weight, ...one }) => ({ weight, mean: one.mean, sd: Math.sqrt(one.variance) }));
  return {
    ...bandOf(all),
    between: levels.reduce((sum, { between, weight }) => sum + between * weight, 0),
    students: told.reduce((sum, { students }) => sum + students, 0),
    schools: told.map(({ school, students }, i) => ({
      ...{ school, students },
      ...bandOf(levels.map((level) => schoolAt(level, seen[i]!))),
    })),
  };
}

/** Of few students one does not know how much they differ, of all of them together rather: one variance for all schools. */
function commonVariance(effects: readonly SchoolEffect[]): number {
  const free = effects.reduce((sum, { students }) => sum + students - 1, 0);
  const sum = effects.reduce((total, { students, spread }) => total + (students - 1) * spread ** 2, 0);
  return Math.max(LEAST_SPREAD ** 2, sum / free);
}

interface Seen {
  mean: number;
  variance: number;
}

function levelsOf(seen: readonly Seen[]): Level[] {
  const levels = Array.from({ length: STEPS }, (_, i) => {
    const between = (((i + 0.5) * MOST_BETWEEN) / STEPS) * USUAL_BETWEEN;
    const weights = seen.map((one) => 1 / (one.variance + between ** 2));
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    const mean = seen.reduce((sum, one, k) => sum + one.mean * weights[k]!, 0) / total;
    const logLikely = seen.reduce(
      (sum, one, k) => sum + 0.5 * Math.log(weights[k]!) - 0.5 * weights[k]! * (one.mean - mean) ** 2,
      -0.5 * Math.log(total) - 0.5 * (between / USUAL_BETWEEN) ** 2,
    );
    return { between, logLikely, mean, variance: 1 / total };
  });
  const most = Math.max(...levels.map(({ logLikely }) => logLikely));
  const sum = levels.reduce((all, { logLikely }) => all + Math.exp(logLikely - most), 0);
  return levels.map(({ logLikely, ...level }) => ({ ...level, weight: Math.exp(logLikely - most) / sum }));
}

interface Part {
  weight: number;
  mean: number;
  sd: number;
}

/** What a school really does, if schools differ by so much: between what was seen there and the mean of all. */
function schoolAt({ between, weight, mean, variance }: Level, seen: Seen): Part {
  const drawn = seen.variance / (seen.variance + between ** 2);
  return {
    weight,
    mean: drawn * mean + (1 - drawn) * seen.mean,
    sd: Math.sqrt((1 - drawn) * seen.variance + drawn ** 2 * variance),
  };
}

function bandOf(parts: readonly Part[]): Band {
  return {
    mean: parts.reduce((sum, { weight, mean }) => sum + weight * mean, 0),
    low: quantile(parts, (1 - BAND) / 2),
    high: quantile(parts, (1 + BAND) / 2),
  };
}

/** The value below which a share of a mixture of normal distributions lies, by halving. */
function quantile(parts: readonly Part[], share: number): number {
  const below = (value: number): number =>
    parts.reduce((sum, { weight, mean, sd }) => sum + weight * normalShare((value - mean) / sd), 0);
  let low = Math.min(...parts.map(({ mean, sd }) => mean - 6 * sd));
  let high = Math.max(...parts.map(({ mean, sd }) => mean + 6 * sd));
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (below(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

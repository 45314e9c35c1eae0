import { meanInterval } from '../statistics';
import { type BankEvent, type DrilledAttempt, drilledAttempts } from '../bank';
import type { Curriculum } from '../curriculum';
import { mainSkillOf } from '../drill';
import { type FittedSkills, parametersFor, traceCourse } from '../skill';

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

export interface DrillEffect extends Effect {
  drillId: string;
}

export interface PlanEffect extends Effect {
  planId: string;
}

/**
 * What one instructor's records say of a drill, so that several can be added up without anybody in it: how many students
 * and lessons, and the sum and the sum of squares of what each student rose by, on the mean over his bouts.
 */
export interface DrillOutcome {
  drillId: string;
  students: number;
  lessons: number;
  riseSum: number;
  riseSquares: number;
}

/** The outcome of each drill that was tried, by id. @param events of any number of students */
export function drillOutcomes(
  curriculum: Curriculum,
  events: readonly BankEvent[],
  studentIds: readonly string[],
  fitted: FittedSkills = {},
): DrillOutcome[] {
  return grouped(
    studentIds.flatMap((id) => boutsOf(courseOf(events, id, fitted), inDrill(curriculum))),
    ({ attempts }) => attempts[0]?.drillId ?? '',
  )
    .map(([drillId, bouts]) => {
      const rises = grouped(bouts, ({ studentId }) => studentId).map(
        ([, own]) => own.reduce((sum, { rise }) => sum + rise, 0) / own.length,
      );
      return {
        ...{ drillId, students: rises.length },
        lessons: new Set(bouts.map(({ attempts }) => attempts[0]?.lessonId)).size,
        riseSum: rises.reduce((sum, rise) => sum + rise, 0),
        riseSquares: rises.reduce((sum, rise) => sum + rise ** 2, 0),
      };
    })
    .sort((a, b) => (a.drillId < b.drillId ? -1 : 1));
}

/** One student's stretch of attempts at one skill, in one lesson. */
interface Bout {
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

/** What one student's record says of drills, by drill and skill with a space between, and of lessons, by their ids. */
export interface StudentEffects {
  drills: Record<string, EffectSums>;
  lessons: Record<string, EffectSums>;
}

/**
 * What one student's record says of the drills he did and of the lessons he had. A bout is what he did of a drill at one
 * skill in one lesson, or all he did at a skill in it, and the rise his estimate after it less the one before.
 */
export function studentEffects(
  events: readonly BankEvent[],
  studentId: string,
  fitted: FittedSkills = {},
): StudentEffects {
  const course = courseOf(events, studentId, fitted);
  const bouts = boutsOf(course, ({ drillId, skillId, lessonId }) =>
    drillId === null ? null : `${drillId} ${skillId} ${lessonId}`,
  );
  const tried = boutsOf(course, ({ lessonId, skillId }) => `${lessonId} ${skillId}`);
  const summed = (
    list: readonly Bout[],
    keyOf: (first: DrilledAttempt) => string,
  ): Record<string, EffectSums> =>
    Object.fromEntries(
      grouped(list, ({ attempts: [first] }) => (first ? keyOf(first) : '')).map(([id, of]) => [
        id,
        sumsOf(of),
      ]),
    );
  return {
    drills: summed(bouts, ({ drillId, skillId }) => `${drillId} ${skillId}`),
    lessons: summed(tried, ({ lessonId }) => lessonId),
  };
}

/** How well each drill worked at its main skill, over everybody of whom the record says it; the best of them first. */
export function drillEffects({ drills }: Curriculum, people: readonly StudentEffects[]): DrillEffect[] {
  return [...together(people.flatMap((one) => Object.entries(one.drills)))]
    .flatMap(([key, sums]) => {
      const [drillId = '', skillId] = key.split(' ');
      const drill = drills.find(drillId);
      return drill && mainSkillOf(drill) === skillId ? [{ drillId, ...effect(sums) }] : [];
    })
    .sort(byRise);
}

/**
 * How well each plan worked over the lessons that were taught by it; the best of them first.
 *
 * @param planOf plan of each lesson; others are left out
 */
export function planEffects(
  people: readonly StudentEffects[],
  planOf: ReadonlyMap<string, string>,
): PlanEffect[] {
  const own = people.flatMap(({ lessons }) =>
    // Who had several lessons by one plan is one student of it.
    [...together(Object.entries(lessons).flatMap(([id, sums]) => named(planOf.get(id), sums)))].map(
      ([planId, sums]): [string, EffectSums] => [planId, { ...sums, students: 1 }],
    ),
  );
  return [...together(own)].map(([planId, sums]) => ({ planId, ...effect(sums) })).sort(byRise);
}

function named(id: string | undefined, sums: EffectSums): [string, EffectSums][] {
  return id === undefined ? [] : [[id, sums]];
}

function together(parts: readonly [string, EffectSums][]): Map<string, EffectSums> {
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

/** Of bouts of one student. */
function sumsOf(bouts: readonly Bout[]): EffectSums {
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

/** What one student did, and his estimate before and after each attempt. */
interface Course {
  studentId: string;
  attempts: readonly DrilledAttempt[];
  estimates: ReadonlyMap<string, { before: number; after: number }>;
}

function courseOf(events: readonly BankEvent[], studentId: string, fitted: FittedSkills): Course {
  const attempts = drilledAttempts(events, studentId);
  const estimates = grouped(attempts, ({ skillId }) => skillId).flatMap(([skillId, own]) =>
    traceCourse(own, parametersFor(fitted, skillId)).map((at) => [at.id, at] as const),
  );
  return { studentId, attempts, estimates: new Map(estimates) };
}

/** Names the bout of an attempt in a drill, at the skill that the drill is done for; null for any other. */
function inDrill({ drills }: Curriculum): (attempt: DrilledAttempt) => string | null {
  return ({ drillId, lessonId, skillId }) => {
    const drill = drills.find(drillId ?? '');
    return drill && mainSkillOf(drill) === skillId ? `${drill.id} ${lessonId}` : null;
  };
}

function boutsOf(
  { studentId, attempts, estimates }: Course,
  keyOf: (attempt: DrilledAttempt) => string | null,
): Bout[] {
  return grouped(attempts, (attempt) => keyOf(attempt) ?? '')
    .filter(([key]) => key !== '')
    .map(([, own]) => ({
      studentId,
      attempts: own,
      rise:
        (estimates.get(own.at(-1)?.id ?? '')?.after ?? 0) - (estimates.get(own[0]?.id ?? '')?.before ?? 0),
    }));
}

function effect({ bouts, students, attempts, riseSum, riseSquares, first, last }: EffectSums): Effect {
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

function grouped<T>(list: readonly T[], keyOf: (item: T) => string): [string, T[]][] {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return [...groups];
}

/** Those with something to say first, the best of them before the others; then by how much was seen. */
function byRise(a: Effect, b: Effect): number {
  return (b.rise?.mean ?? -Infinity) - (a.rise?.mean ?? -Infinity) || b.n - a.n;
}

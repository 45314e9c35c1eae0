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
    drillBouts(curriculum, events, studentIds, fitted),
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

/**
 * How well each drill worked over all its bouts: a bout is what one student did of a drill in one lesson. The rise is the
 * student's estimate after the bout less the one before, at the drill's main skill.
 *
 * @param events of any number of students
 */
export function drillEffects(
  curriculum: Curriculum,
  events: readonly BankEvent[],
  studentIds: readonly string[],
  fitted: FittedSkills = {},
): DrillEffect[] {
  const bouts = drillBouts(curriculum, events, studentIds, fitted);
  return grouped(bouts, ({ attempts }) => attempts[0]?.drillId ?? '')
    .map(([drillId, of]) => ({ drillId, ...effect(of) }))
    .sort(byRise);
}

/**
 * How well each plan worked over the lessons that were taught by it: per student and skill tried in the lesson, the
 * estimate after less the one before.
 *
 * @param planOf plan of each lesson
 */
export function planEffects(
  events: readonly BankEvent[],
  studentIds: readonly string[],
  planOf: ReadonlyMap<string, string>,
  fitted: FittedSkills = {},
): PlanEffect[] {
  const bouts = boutsOf(events, studentIds, fitted, ({ lessonId, skillId }) =>
    planOf.has(lessonId) ? `${lessonId} ${skillId}` : null,
  );
  return grouped(bouts, ({ attempts }) => planOf.get(attempts[0]?.lessonId ?? '') ?? '')
    .map(([planId, of]) => ({ planId, ...effect(of) }))
    .sort(byRise);
}

/** What each student did of a drill in a lesson, at the skill it is done for. */
function drillBouts(
  curriculum: Curriculum,
  events: readonly BankEvent[],
  studentIds: readonly string[],
  fitted: FittedSkills,
): Bout[] {
  return boutsOf(events, studentIds, fitted, ({ drillId, lessonId, skillId }) => {
    const drill = curriculum.drills.find(drillId ?? '');
    return drill && mainSkillOf(drill) === skillId ? `${drill.id} ${lessonId}` : null;
  });
}

function boutsOf(
  events: readonly BankEvent[],
  studentIds: readonly string[],
  fitted: FittedSkills,
  keyOf: (attempt: DrilledAttempt) => string | null,
): Bout[] {
  return studentIds.flatMap((studentId) => {
    const own = drilledAttempts(events, studentId);
    const course = courseOf(own, fitted);
    return grouped(own, (attempt) => keyOf(attempt) ?? '')
      .filter(([key]) => key !== '')
      .map(([, attempts]) => ({
        studentId,
        attempts,
        rise:
          (course.get(attempts.at(-1)?.id ?? '')?.after ?? 0) -
          (course.get(attempts[0]?.id ?? '')?.before ?? 0),
      }));
  });
}

/** The estimate before and after each attempt, by its id. */
function courseOf(
  own: readonly DrilledAttempt[],
  fitted: FittedSkills,
): Map<string, { before: number; after: number }> {
  return new Map(
    grouped(own, ({ skillId }) => skillId).flatMap(([skillId, attempts]) =>
      traceCourse(attempts, parametersFor(fitted, skillId)).map((at) => [at.id, at] as const),
    ),
  );
}

function effect(bouts: readonly Bout[]): Effect {
  const students = new Set(bouts.map(({ studentId }) => studentId)).size;
  const enough = bouts.length >= MIN_EFFECT && students >= MIN_EFFECT_STUDENTS;
  return {
    n: bouts.length,
    students,
    attempts: bouts.reduce((sum, { attempts }) => sum + attempts.length, 0),
    rise: enough ? meanInterval(bouts.map(({ rise }) => rise)) : null,
    good: enough
      ? {
          first: goodShare(bouts.flatMap(({ attempts }) => attempts.slice(0, third(attempts)))),
          last: goodShare(bouts.flatMap(({ attempts }) => attempts.slice(-third(attempts)))),
        }
      : null,
  };
}

function third(attempts: readonly unknown[]): number {
  return Math.max(1, Math.floor(attempts.length / 3));
}

function goodShare(attempts: readonly DrilledAttempt[]): number {
  return attempts.filter(({ good }) => good).length / attempts.length;
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

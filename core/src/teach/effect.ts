import { type BankEvent, type DrilledAttempt, drilledAttempts } from '../bank';
import type { Curriculum } from '../curriculum';
import { mainSkillOf } from '../drill';
import { type Bout, type Effect, effectOf, type EffectSums, sumsOf, together } from './effect-sums';
import { type FittedSkills, parametersFor, traceCourse } from '../skill';

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

/** The outcome at its main skill of each drill that was tried, by id, over everybody of whom the record says it. */
export function drillOutcomes({ drills }: Curriculum, people: readonly StudentEffects[]): DrillOutcome[] {
  const told = people.flatMap((one) =>
    Object.entries(one.drills).flatMap(([key, { riseSum, bouts }]) => {
      const [drillId = '', skillId] = key.split(' ');
      const drill = drills.find(drillId);
      return drill && mainSkillOf(drill) === skillId
        ? [{ drillId, rise: riseSum / bouts, lessons: one.drilledIn[key] ?? [] }]
        : [];
    }),
  );
  return grouped(told, ({ drillId }) => drillId)
    .map(([drillId, own]) => ({
      ...{ drillId, students: own.length, lessons: new Set(own.flatMap(({ lessons }) => lessons)).size },
      riseSum: own.reduce((sum, { rise }) => sum + rise, 0),
      riseSquares: own.reduce((sum, { rise }) => sum + rise ** 2, 0),
    }))
    .sort((a, b) => (a.drillId < b.drillId ? -1 : 1));
}

/** What one student's record says of drills, by drill and skill with a space between, and of lessons, by their ids. */
export interface StudentEffects {
  drills: Record<string, EffectSums>;
  /** In which lessons, by the same. */
  drilledIn: Record<string, string[]>;
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
  const drillAndSkill = ({ drillId, skillId }: DrilledAttempt): string => `${drillId} ${skillId}`;
  const firsts = bouts.flatMap(({ attempts }) => attempts.slice(0, 1));
  return {
    drills: summed(bouts, drillAndSkill),
    drilledIn: Object.fromEntries(
      grouped(firsts, drillAndSkill).map(([key, of]) => [key, of.map(({ lessonId }) => lessonId)]),
    ),
    lessons: summed(tried, ({ lessonId }) => lessonId),
  };
}

/** How well each drill worked at its main skill, over everybody of whom the record says it; the best of them first. */
export function drillEffects({ drills }: Curriculum, people: readonly StudentEffects[]): DrillEffect[] {
  return [...together(people.flatMap((one) => Object.entries(one.drills)))]
    .flatMap(([key, sums]) => {
      const [drillId = '', skillId] = key.split(' ');
      const drill = drills.find(drillId);
      return drill && mainSkillOf(drill) === skillId ? [{ drillId, ...effectOf(sums) }] : [];
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
  return [...together(own)].map(([planId, sums]) => ({ planId, ...effectOf(sums) })).sort(byRise);
}

function named(id: string | undefined, sums: EffectSums): [string, EffectSums][] {
  return id === undefined ? [] : [[id, sums]];
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

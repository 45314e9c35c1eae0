import type { Curriculum } from '../../curriculum';
import {
  FORGET_DAYS,
  parametersFor,
  type FittedSkills,
  type SkillAttempt,
  type SkillState,
  skillState,
} from '../../skill';
import type { PlanBody } from '../plan';
import type { PlanLesson, PlanStudent } from '../rules/rule';
import { closedHours, schedule, taskFor } from '../schedule';
import {
  attemptsWanting,
  believedAt,
  type ComingPractice,
  type ForecastPoint,
  forecastSkill,
} from './forecast';
import { type Practice, practiceOf } from './practice';

/** One who comes to a lesson of a course, with all that was seen of him. */
export type CourseStudent = Omit<PlanStudent, 'skills'> & { attempts: readonly SkillAttempt[] };

/** A lesson of a course, with its day and water; what its plan has already stays when it is locked. */
export interface CourseLesson {
  plan: PlanBody;
  lesson: Omit<PlanLesson, 'students'>;
  /** Who comes, in the order of the plan's lanes; all students where nothing is said. */
  studentIds?: readonly string[] | undefined;
}

/** What a course is to be made of. */
export interface CourseTask {
  curriculum: Curriculum;
  students: readonly CourseStudent[];
  /** When its lessons that are over ended, in the order of time, epoch milliseconds. */
  overMs?: readonly number[] | undefined;
  /** Ids of the skills that are to be reached. */
  goals: readonly string[];
  /** Ids of skills that slipped: they count as goals do until they were tried. */
  slippedIds?: readonly string[] | undefined;
  /** By when, epoch milliseconds. */
  untilMs: number;
  nowMs: number;
  /** Lessons to come, in the order of time. */
  lessons: readonly CourseLesson[];
  fitted?: FittedSkills | undefined;
}

/** A student's way to a goal: the chance that he masters it when it is wanted, and how it grows. */
export interface GoalForecast {
  studentId: string;
  skillId: string;
  now: number;
  chance: number;
  /** What was believed after each lesson that is over, 0…1. */
  past: number[];
  course: ForecastPoint[];
  /** The lesson after which it is more likely than `ENOUGH`, from 0; null where none is enough. */
  enoughAt: number | null;
  /** What would make it likely enough that is not; null where it is, or where nothing that can be done would. */
  wanting: WantingPractice | null;
}

/** Attempts that a goal wants at the last lesson a student comes to. */
export interface WantingPractice {
  /** The lesson's place among those to come, from 0. */
  lesson: number;
  /** Whole, 1 and more. */
  attempts: number;
}

export interface Course {
  /** A plan for each lesson; null where none is allowed that day. */
  plans: (PlanBody | null)[];
  goals: GoalForecast[];
}

/** A goal is taken for reached from this chance on. A rule of thumb. */
export const ENOUGH = 0.8;
/** What the skills below a goal count against it, and all others. Rules of thumb. */
const UNDERNEATH = 0.7;
const BESIDES = 0.1;

export interface CourseOptions {
  seed: string;
  /** Changes that the solver tries for each lesson, 0 and more. */
  tries: number;
  /** How often all lessons are planned, each time with more weight on what is not reached; whole, 1 and more. */
  rounds?: number;
  /** Hears of each lesson that is planned, counted from 1 over all rounds. */
  done?: (lessons: number) => unknown;
  /** Hears of each course that is better than those before. */
  better?: (course: Course) => unknown;
}

export const USUAL_ROUNDS = 4;

/**
 * A course: for each lesson the plan that the solver makes of what each student is expected to be able to do by then,
 * after all lessons before it and what is forgotten between, and the chance of each goal at its end. What is not reached
 * so counts more the next time all is planned. It is never worse than the plans that the lessons have: fewer goals
 * reached, or as many with less chance of the others.
 */
export function planCourse(
  task: CourseTask,
  { seed, tries, rounds = USUAL_ROUNDS, done, better }: CourseOptions,
): Course {
  const given = task.lessons.map(({ plan }) => plan);
  let best: Course = { plans: given, goals: forecastCourse(task, given, seed) };
  let hasPlans = given.some(({ blocks }) => blocks.length > 0);
  const weights = goalWeights(task);
  for (let round = 0; round < rounds; round++) {
    const made = planOnce(task, weights, { seed: `${seed}/${round}`, tries }, (lessons) =>
      done?.(round * task.lessons.length + lessons),
    );
    const course = { plans: made, goals: forecastCourse(task, made, seed) };
    if (!hasPlans || isBetter(course.goals, best.goals)) {
      best = course;
      hasPlans = true;
      better?.(best);
    }
    weighAnew(task, weights, course.goals);
  }
  return best;
}

function planOnce(
  task: CourseTask,
  goals: Readonly<Record<string, number>>,
  { seed, tries }: { seed: string; tries: number },
  done: (lessons: number) => unknown,
): (PlanBody | null)[] {
  const given: Given = new Map();
  return task.lessons.map((one, i) => {
    const coming = comingTo(task, one);
    const { plan, lesson } = one;
    const on: PlanLesson = {
      ...lesson,
      students: coming.map((student) =>
        expectedAt(task, student, given.get(student.id) ?? [], lesson.startMs),
      ),
    };
    const day = { curriculum: task.curriculum, lesson: on, closed: closedHours(plan, on) };
    const found = schedule(
      { ...taskFor(plan, { use: 'fill' }, day), goals },
      { seed: `${seed}/${i}`, tries },
    )?.plan;
    const made = found && found.blocks.length > 0 ? found : null;
    give(task, given, one, made);
    done(i + 1);
    return made;
  });
}

/** More goals that are likely enough; of as many, more chance of those that are not. */
function isBetter(one: readonly GoalForecast[], other: readonly GoalForecast[]): boolean {
  const reached = (goals: readonly GoalForecast[]): number =>
    goals.filter(({ chance }) => chance >= ENOUGH).length;
  const sum = (goals: readonly GoalForecast[]): number =>
    goals.reduce((total, { chance }) => total + Math.min(ENOUGH, chance), 0);
  const more = reached(one) - reached(other);
  return more > 0 || (more === 0 && sum(one) > sum(other) + 1e-9);
}

/** So much more a goal counts the next time when everybody lacks it, and so much less when nobody does. Rules of thumb. */
const LACKED = 2;
const KEPT = 0.6;

/** What a goal rests on goes with it: what nobody is ready for cannot be taught. */
function weighAnew(
  { curriculum, students, goals }: CourseTask,
  weights: Record<string, number>,
  found: readonly GoalForecast[],
): void {
  const more = new Map<string, number>();
  for (const id of goals) {
    const lacking = found.filter(({ skillId, chance }) => skillId === id && chance < ENOUGH).length;
    const factor = lacking === 0 ? KEPT : 1 + (LACKED * lacking) / Math.max(1, students.length);
    more.set(id, factor);
    for (const under of restsOn(curriculum, [id]))
      if (!goals.includes(under)) more.set(under, Math.max(more.get(under) ?? 0, factor));
  }
  for (const [id, factor] of more) weights[id] = (weights[id] ?? BESIDES) * factor;
}

/** The same forecast for lessons whose plans there are already: null for a lesson without one. */
export function forecastCourse(
  task: CourseTask,
  plans: readonly (PlanBody | null)[],
  seed: string,
): GoalForecast[] {
  const given: Given = new Map();
  task.lessons.forEach((one, i) => give(task, given, one, plans[i] ?? null));
  return goalForecasts(task, given, seed);
}

/** What students are given in the lessons of a course, one after the other, by their ids; nothing in one they miss. */
type Given = Map<string, GivenLesson[]>;
interface GivenLesson {
  atMs: number;
  practice: Practice[];
}

function comingTo({ students }: CourseTask, { studentIds }: CourseLesson): CourseStudent[] {
  return studentIds
    ? studentIds.flatMap((id) => students.find((student) => student.id === id) ?? [])
    : [...students];
}

function give(task: CourseTask, given: Given, one: CourseLesson, plan: PlanBody | null): void {
  const lanes = comingTo(task, one).map(({ id }) => id);
  for (const { id } of task.students) {
    const lane = lanes.indexOf(id);
    const practice = plan && lane >= 0 ? practiceOf(task.curriculum, plan, lane) : [];
    given.set(id, [...(given.get(id) ?? []), { atMs: one.lesson.startMs, practice }]);
  }
}

function goalForecasts(task: CourseTask, given: Given, seed: string): GoalForecast[] {
  return task.students.flatMap((student) => {
    const last = task.lessons.findLastIndex((one) => comingTo(task, one).includes(student));
    return task.goals.map((skillId) => {
      const lessons = comingAt(given.get(student.id) ?? [], skillId);
      const own = student.attempts.filter((one) => one.skillId === skillId);
      const learns = learning(task, skillId);
      const { now, chance, course } = forecastSkill(own, task.nowMs, lessons, task.untilMs, {
        ...learns,
        seed: `${seed}/${student.id}/${skillId}`,
      });
      const past = believedAt(own, task.overMs ?? [], learns);
      const enough = course.findIndex(({ mean }, i) => i < lessons.length && mean >= ENOUGH);
      const attempts =
        last < 0
          ? null
          : attemptsWanting(own, task.nowMs, lessons, task.untilMs, {
              ...learns,
              lesson: last,
              enough: ENOUGH,
            });
      return {
        studentId: student.id,
        skillId,
        now,
        chance,
        past,
        course,
        enoughAt: enough < 0 ? null : enough,
        wanting: attempts ? { lesson: last, attempts } : null,
      };
    });
  });
}

function comingAt(given: readonly GivenLesson[], skillId: string): ComingPractice[] {
  return given.map(({ atMs, practice }) => ({
    atMs,
    bouts: practice.filter((one) => one.skillId === skillId),
  }));
}

function learning({ curriculum, fitted = {} }: CourseTask, skillId: string) {
  return {
    grid: parametersFor(fitted, skillId),
    forgetDays: curriculum.skills.find(skillId)?.forgetDays ?? FORGET_DAYS,
  };
}

/** A student as he is expected to come to a lesson. */
function expectedAt(
  task: CourseTask,
  student: CourseStudent,
  given: readonly GivenLesson[],
  atMs: number,
): PlanStudent {
  const { attempts, ...rest } = student;
  const skills: SkillState = skillState(task.curriculum.skills.all, attempts, atMs, task.fitted);
  const trained = new Set(given.flatMap(({ practice }) => practice.map(({ skillId }) => skillId)));
  for (const skillId of trained) {
    const known = skills[skillId];
    const own = attempts.filter((one) => one.skillId === skillId);
    const lessons = comingAt(given, skillId);
    if (!known) continue;
    const { course } = forecastSkill(own, task.nowMs, lessons, atMs, { ...learning(task, skillId), runs: 1 });
    const coming = lessons.flatMap(({ bouts }) => bouts).reduce((sum, bout) => sum + bout.attempts, 0);
    skills[skillId] = { ...known, mastery: course.at(-1)!.mean, attempts: known.attempts + coming };
  }
  return { ...rest, skills };
}

/** Goals count whole, what they rest on a little less, all else hardly. */
function goalWeights({ curriculum, goals, slippedIds = [] }: CourseTask): Record<string, number> {
  const wanted = restsOn(curriculum, goals);
  return Object.fromEntries(
    curriculum.skills.all.map(({ id }) => [
      id,
      goals.includes(id) || slippedIds.includes(id) ? 1 : wanted.has(id) ? UNDERNEATH : BESIDES,
    ]),
  );
}

/** Skills with all that they rest on. */
export function restsOn(curriculum: Curriculum, skillIds: readonly string[]): Set<string> {
  const found = new Set(skillIds);
  for (const id of found) for (const need of curriculum.skills.find(id)?.needs ?? []) found.add(need);
  return found;
}

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
import { type ComingPractice, type ForecastPoint, forecastSkill } from './forecast';
import { type Practice, practiceOf } from './practice';

/** A student of a course, with all that was seen of him. */
export type CourseStudent = Omit<PlanStudent, 'skills'> & { attempts: readonly SkillAttempt[] };

/** What a course is to be made of. */
export interface CourseTask {
  curriculum: Curriculum;
  students: readonly CourseStudent[];
  /** Ids of the skills that are to be reached. */
  goals: readonly string[];
  /** By when, epoch milliseconds. */
  untilMs: number;
  nowMs: number;
  /** Lessons in the order of time, each with its day and water; what its plan has already stays when it is locked. */
  lessons: readonly { plan: PlanBody; lesson: Omit<PlanLesson, 'students'> }[];
  fitted?: FittedSkills | undefined;
}

/** A student's way to a goal: the chance that he masters it when it is wanted, and how it grows. */
export interface GoalForecast {
  studentId: string;
  skillId: string;
  now: number;
  chance: number;
  course: ForecastPoint[];
  /** The lesson after which it is more likely than `ENOUGH`, from 0; null where none is enough. */
  enoughAt: number | null;
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

/**
 * A course: for each lesson the plan that the solver makes of what each student is expected to be able to do by then,
 * after all lessons before it and what is forgotten between, and the chance of each goal at its end.
 *
 * @param tries changes that the solver tries for each lesson, 0 and more
 */
export function planCourse(task: CourseTask, { seed, tries }: { seed: string; tries: number }): Course {
  const given: Given[] = task.students.map(() => []);
  const plans = task.lessons.map(({ plan, lesson }, i) => {
    const students = task.students.map((student, lane) =>
      expectedAt(task, student, given[lane]!, lesson.startMs),
    );
    const on: PlanLesson = { ...lesson, students };
    const day = { curriculum: task.curriculum, lesson: on, closed: closedHours(plan, on) };
    const wish = { ...taskFor(plan, { use: 'fill' }, day), goals: goalWeights(task) };
    const made = schedule(wish, { seed: `${seed}/${i}`, tries })?.plan ?? null;
    task.students.forEach((_, lane) => {
      if (made)
        given[lane]!.push({ atMs: lesson.startMs, practice: practiceOf(task.curriculum, made, lane) });
    });
    return made;
  });
  return { plans, goals: goalForecasts(task, given, seed) };
}

/** The same forecast for lessons whose plans there are already: null for a lesson without one. */
export function forecastCourse(
  task: CourseTask,
  plans: readonly (PlanBody | null)[],
  seed: string,
): GoalForecast[] {
  const given = task.students.map((_, lane) =>
    task.lessons.flatMap(({ lesson }, i) => {
      const plan = plans[i];
      return plan ? [{ atMs: lesson.startMs, practice: practiceOf(task.curriculum, plan, lane) }] : [];
    }),
  );
  return goalForecasts(task, given, seed);
}

/** What a student is given in the lessons of a course. */
type Given = { atMs: number; practice: Practice[] }[];

function goalForecasts(task: CourseTask, given: readonly Given[], seed: string): GoalForecast[] {
  return task.students.flatMap((student, lane) =>
    task.goals.map((skillId) => {
      const lessons = comingAt(given[lane]!, skillId);
      const { now, chance, course } = forecastSkill(
        student.attempts.filter((one) => one.skillId === skillId),
        task.nowMs,
        lessons,
        task.untilMs,
        { ...learning(task, skillId), seed: `${seed}/${student.id}/${skillId}` },
      );
      const enough = course.findIndex(({ mean }, i) => i < lessons.length && mean >= ENOUGH);
      return { studentId: student.id, skillId, now, chance, course, enoughAt: enough < 0 ? null : enough };
    }),
  );
}

function comingAt(given: Given, skillId: string): ComingPractice[] {
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
function expectedAt(task: CourseTask, student: CourseStudent, given: Given, atMs: number): PlanStudent {
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
function goalWeights({ curriculum, goals }: CourseTask): Record<string, number> {
  const under = new Set<string>();
  const dig = (id: string): void => {
    for (const need of curriculum.skills.find(id)?.needs ?? [])
      if (!under.has(need)) {
        under.add(need);
        dig(need);
      }
  };
  goals.forEach(dig);
  return Object.fromEntries(
    curriculum.skills.all.map(({ id }) => [
      id,
      goals.includes(id) ? 1 : under.has(id) ? UNDERNEATH : BESIDES,
    ]),
  );
}

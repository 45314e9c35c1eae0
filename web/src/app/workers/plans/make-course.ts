import {
  type Course,
  type CourseTask,
  forecastCourse,
  type GoalForecast,
  type PlanBody,
  planCourse,
  USUAL_ROUNDS,
} from '@doceo/core';
import { received, type SentCurriculum } from './make-plans';

export interface CourseRequest {
  curriculum: SentCurriculum;
  task: Omit<CourseTask, 'curriculum'>;
  /** Changes tried for each lesson; null to foretell the plans as they are. */
  tries: number | null;
  seed: string;
}

/** What is heard of a course. */
export type CourseNews =
  /** How far the planning is, 0…1. */
  { kind: 'planned'; share: number } | { kind: 'course'; plans: (PlanBody | null)[]; goals: GoalForecast[] };

/** Foretells a course by the plans its lessons have, or plans them anew and tells of each. */
export async function makeCourse(
  { curriculum, task, tries, seed }: CourseRequest,
  tell: (news: CourseNews) => unknown,
): Promise<void> {
  const whole: CourseTask = { ...task, curriculum: received(curriculum) };
  if (tries === null) {
    const plans = task.lessons.map(({ plan }) => plan);
    await tell({ kind: 'course', plans, goals: forecastCourse(whole, plans, seed) });
    return;
  }
  const of = task.lessons.length * USUAL_ROUNDS;
  const done = (lessons: number): unknown => tell({ kind: 'planned', share: lessons / of });
  const better = (course: Course): unknown => tell({ kind: 'course', ...course });
  await tell({ kind: 'course', ...planCourse(whole, { seed, tries, done, better }) });
}

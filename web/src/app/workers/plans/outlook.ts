import {
  cutFirst,
  type Overrun,
  overrun,
  type PlanBody,
  type PlanLesson,
  planProblems,
  type PlanProblem,
  type ScheduleTask,
} from '@doceo/core';

/** What takes long to work out of a plan: with a plan that is proposed it comes from where that was made. */
export interface Outlook {
  overrun: Overrun | null;
  /** Blocks that would be cut first; null where it is seldom late. */
  cut: readonly string[] | null;
  /** What its check finds for the lesson that was asked about. */
  problems: readonly PlanProblem[];
}

export const NO_OUTLOOK: Outlook = { overrun: null, cut: null, problems: [] };

/** Chance of ending late from which it is told what would be cut, 0…1. */
const LATE_TOLD = 0.05;

/** So many runs tell a chance to within three points. */
const RUNS = 1200;

/** What is to be known of a plan that a task is about. @param lesson null for a plan without a day */
export function outlookOf(task: ScheduleTask, plan: PlanBody, lesson: PlanLesson | null): Outlook {
  const { curriculum } = task;
  const ends = overrun(curriculum, plan, { runs: RUNS });
  return {
    overrun: ends,
    cut: (ends?.late ?? 0) >= LATE_TOLD ? cutFirst(task, plan.blocks) : null,
    problems: planProblems(curriculum, plan, lesson),
  };
}

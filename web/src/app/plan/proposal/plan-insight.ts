import { computed, type Signal } from '@angular/core';
import {
  closedHours,
  type Curriculum,
  cutFirst,
  overrun,
  type PlanBody,
  type PlanDay,
  type PlanLesson,
  taskFor,
} from '@doceo/core';
import type { Goals } from './plan-proposal';

/** From what a plan is looked into. */
export interface InsightFrom {
  /** The plan as it is kept, and as it is shown. */
  body: Signal<PlanBody | null>;
  shown: Signal<PlanBody | null>;
  lesson: Signal<PlanLesson | null>;
  curriculum: Signal<Curriculum>;
  goals: Signal<Goals>;
}

/** Chance of ending late from which it is told what would be cut, 0…1. */
const LATE_TOLD = 0.05;

/** So many runs tell a chance to within three points, and the page goes on answering. */
const RUNS = 1200;

/** What can be computed of a plan for the day it is planned for. */
export function planInsight({ body, shown, lesson, curriculum, goals }: InsightFrom) {
  const day = computed<Omit<PlanDay, 'weights' | 'besides'>>(() => {
    const [plan, on] = [body(), lesson()];
    return { curriculum: curriculum(), lesson: on, closed: on && plan ? closedHours(plan, on) : [] };
  });
  /** The plan as the machine sees it: what each thing is worth, and why it stands where it does. */
  const task = computed(() => {
    const plan = shown();
    return plan && taskFor(plan, { use: 'for-group' }, { ...day(), ...goals() });
  });
  const late = computed(() => {
    const plan = shown();
    return plan && overrun(curriculum(), plan, { runs: RUNS });
  });
  /** Blocks that would be cut first; null where it is seldom late. */
  const cut = computed(() => {
    const [whole, ends] = [task(), late()];
    return whole && (ends?.late ?? 0) >= LATE_TOLD ? cutFirst(whole, whole.plan.blocks) : null;
  });
  return { day, task, overrun: late, cut };
}

import { computed, linkedSignal, type Signal } from '@angular/core';
import {
  closedHours,
  type Curriculum,
  type PlanBody,
  type PlanDay,
  type PlanLesson,
  type ScheduleTask,
  taskFor,
} from '@doceo/core';
import { NO_OUTLOOK, type Outlook, outlookOf } from '../../workers/plans/outlook';
import type { Goals } from './plan-proposal';

/** From what a plan is looked into. */
export interface InsightFrom {
  /** The plan as it is kept, and as it is shown. */
  body: Signal<PlanBody | null>;
  shown: Signal<PlanBody | null>;
  lesson: Signal<PlanLesson | null>;
  curriculum: Signal<Curriculum>;
  goals: Signal<Goals>;
  /** What came with a plan that is proposed. */
  proposed: Signal<Proposed | null>;
}

/** A plan that is proposed, the lesson it is for, and what came with it; null while that is worked out. */
interface Proposed {
  plan: PlanBody;
  lesson: PlanLesson | null;
  outlook: Outlook | null;
}

interface Asked {
  plan: PlanBody | null;
  on: PlanLesson | null;
  whole: ScheduleTask | null;
  known: Proposed | null;
  school: Curriculum;
}

/** What can be computed of a plan for the day it is planned for. */
export function planInsight({ body, shown, lesson, curriculum, goals, proposed }: InsightFrom) {
  const day = computed<Omit<PlanDay, 'weights' | 'besides'>>(() => {
    const [plan, on] = [body(), lesson()];
    return { curriculum: curriculum(), lesson: on, closed: on && plan ? closedHours(plan, on) : [] };
  });
  /** The plan as the machine sees it: what each thing is worth, and why it stands where it does. */
  const task = computed(() => {
    const plan = shown();
    return plan && taskFor(plan, { use: 'for-group' }, { ...day(), ...goals() });
  });
  const outlook = linkedSignal<Asked, Outlook>({
    source: () => ({ plan: shown(), on: lesson(), whole: task(), known: proposed(), school: curriculum() }),
    computation: ({ plan, on, whole, known, school }, before) => {
      if (!plan || !whole) return NO_OUTLOOK;
      // Until it is worked out of a plan that was just found, what was told before stands.
      if (known && known.plan === plan && known.lesson === on)
        return known.outlook ?? before?.value ?? NO_OUTLOOK;
      return outlookOf({ ...whole, curriculum: school }, plan, on);
    },
  });
  return {
    day,
    task,
    overrun: computed(() => outlook().overrun),
    cut: computed(() => outlook().cut),
    problems: computed(() => outlook().problems),
  };
}

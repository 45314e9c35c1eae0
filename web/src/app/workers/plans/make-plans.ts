import {
  type Block,
  type Curriculum,
  type Drill,
  emptyLayer,
  type Fault,
  type GoneDrill,
  judgeOf,
  type PlanBody,
  type PlanLesson,
  type Proposal,
  proposalSteps,
  resolveCurriculum,
  type ScheduleTask,
  type Score,
  type Skill,
  whyGone,
  whyNot,
  type WhyNot,
} from '@doceo/core';
import { type Outlook, outlookOf } from './outlook';

/** What a curriculum is on its way to a worker: functions do not travel. */
export interface SentCurriculum {
  skills: readonly Skill[];
  faults: readonly Fault[];
  drills: readonly Drill[];
}

export interface PlanRequest {
  curriculum: SentCurriculum;
  task: Omit<ScheduleTask, 'curriculum'>;
  /** The blocks as they are now, to be held against. */
  before: readonly Block[];
  /** Whether it is wanted how each plan will end and what its check finds, and for which lesson, null without a day. */
  outlookFor?: { lesson: PlanLesson | null };
  seed: string;
  tries: number;
}

/** How a plan stands. */
export interface Standing {
  score: Score;
  faults: number;
}

/** What is heard of a plan that is being made. */
export type PlanNews =
  /** What is to be worked out of the first plan comes when it is told again. */
  | { kind: 'plan'; plan: PlanBody; score: Score; outlook: Outlook | null; share: number }
  | { kind: 'share'; share: number }
  | { kind: 'end'; before: Standing; gone: GoneDrill[] }
  | { kind: 'none'; whyNot: WhyNot | null };

/** A curriculum that can travel. */
export function sentCurriculum({ skills, faults, drills }: Curriculum): SentCurriculum {
  return { skills: skills.all, faults: faults.all, drills: drills.all };
}

/** A better plan is told at most so often, milliseconds: drawing each would be all that the page does. */
const CALM_MS = 250;
/** How far it is is told at most so often, milliseconds. */
const SHARE_MS = 80;

/**
 * Makes plans, each better than the one before: the first is told at once, then the best of each while; at the end how the
 * plan stood as it was, and why what is gone is gone.
 *
 * @param tell hears of each; once it answers true no more is looked for
 */
export async function makePlans(
  { curriculum, task, before, outlookFor, seed, tries }: PlanRequest,
  tell: (news: PlanNews) => unknown,
): Promise<void> {
  const whole: ScheduleTask = { ...task, curriculum: received(curriculum) };
  let last: Proposal | null = null;
  let told: Proposal | null = null;
  let [planMs, shareMs] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  const tellLast = async (share: number): Promise<void> => {
    if (!last || last === told) return;
    const { plan, score } = last;
    if (planMs < 0 || !outlookFor) await tell({ kind: 'plan', plan, score, outlook: null, share });
    told = last;
    planMs = performance.now();
    if (!outlookFor) return;
    await tell({ kind: 'plan', plan, score, outlook: outlookOf(whole, plan, outlookFor.lesson), share });
  };
  for (const { tried, found } of proposalSteps(whole, { seed, tries })) {
    const share = tries === 0 ? 1 : Math.min(1, tried / tries);
    last = found ?? last;
    if (performance.now() - planMs >= CALM_MS) await tellLast(share);
    if (performance.now() - shareMs < SHARE_MS) continue;
    shareMs = performance.now();
    if ((await tell({ kind: 'share', share })) === true) break;
  }
  await tellLast(1);
  if (!last || last.plan.blocks.length === 0) {
    await tell({ kind: 'none', whyNot: whyNot(whole) });
    return;
  }
  const { score, faults } = judgeOf(whole)(before);
  const gone = whyGone(whole, before, last.plan.blocks);
  await tell({ kind: 'end', before: { score, faults: faults.length }, gone });
}

/** A curriculum that has travelled. */
export function received({ skills, faults, drills }: SentCurriculum): Curriculum {
  const layer = { ...emptyLayer(), skills: [...skills], faults: [...faults], drills: [...drills] };
  return resolveCurriculum([{ owner: 'shipped', layer }]);
}

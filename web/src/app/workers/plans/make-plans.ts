import {
  type Block,
  type Curriculum,
  type Drill,
  emptyLayer,
  type Fault,
  judgeOf,
  type PlanBody,
  proposalSteps,
  resolveCurriculum,
  type ScheduleTask,
  type Score,
  type Skill,
  whyNot,
  type WhyNot,
} from '@doceo/core';

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
  | { kind: 'plan'; plan: PlanBody; score: Score; share: number }
  | { kind: 'share'; share: number }
  | { kind: 'end'; before: Standing }
  | { kind: 'none'; whyNot: WhyNot | null };

/** A curriculum that can travel. */
export function sentCurriculum({ skills, faults, drills }: Curriculum): SentCurriculum {
  return { skills: skills.all, faults: faults.all, drills: drills.all };
}

/** Makes plans, each better than the one before, and tells of each; at the end how the plan stood as it was. */
export async function makePlans(
  { curriculum, task, before, seed, tries }: PlanRequest,
  tell: (news: PlanNews) => unknown,
): Promise<void> {
  const whole: ScheduleTask = { ...task, curriculum: received(curriculum) };
  let last: PlanBody | null = null;
  for (const news of proposalSteps(whole, { seed, tries })) {
    const share = tries === 0 ? 1 : Math.min(1, news.tried / tries);
    if (news.found) {
      last = news.found.plan;
      await tell({ kind: 'plan', plan: last, score: news.found.score, share });
    } else await tell({ kind: 'share', share });
  }
  if (!last || last.blocks.length === 0) {
    await tell({ kind: 'none', whyNot: whyNot(whole) });
    return;
  }
  const { score, faults } = judgeOf(whole)(before);
  await tell({ kind: 'end', before: { score, faults: faults.length } });
}

/** A curriculum that has travelled. */
export function received({ skills, faults, drills }: SentCurriculum): Curriculum {
  const layer = { ...emptyLayer(), skills: [...skills], faults: [...faults], drills: [...drills] };
  return resolveCurriculum([{ owner: 'shipped', layer }]);
}

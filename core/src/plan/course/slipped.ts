import type { Curriculum } from '../../curriculum';
import { drillOf, curriculumOf } from '../carried';
import type { PlanBody } from '../plan';
import { mainSkillOf } from '../../drill';
import { restsOn } from './plan-course';

/** A lesson that is over: what was planned, and which skills were tried in it. */
export interface TaughtLesson {
  plan: PlanBody;
  /** Ids of the skills of which anything is on its record; null where nothing at all is. */
  tried: ReadonlySet<string> | null;
}

/** A skill that was to be trained, and was not. */
export interface Slip {
  skillId: string;
  /** The last lesson over that had it in its plan, from 0. */
  missedIn: number;
  /** The first lesson to come that trains it, from 0; null for none. */
  nextIn: number | null;
}

/**
 * What slipped on the way to the goals: skills, of the goals or beneath them, that the plan of a lesson meant to train and
 * of which its record has nothing. A lesson without any record says nothing; a skill that was tried later has not slipped.
 *
 * @param over lessons that are over, in the order of time
 * @param coming plans of those to come, in the order of time; null for one without
 */
export function slipped(
  curriculum: Curriculum,
  goals: readonly string[],
  over: readonly TaughtLesson[],
  coming: readonly (PlanBody | null)[],
): Slip[] {
  const wanted = restsOn(curriculum, goals);
  const missedIn = new Map<string, number>();
  over.forEach(({ plan, tried }, i) => {
    if (!tried) return;
    for (const id of trainedBy(curriculum, plan)) if (wanted.has(id)) missedIn.set(id, i);
    for (const id of tried) missedIn.delete(id);
  });
  const next = coming.map((plan) => (plan ? trainedBy(curriculum, plan) : null));
  return [...missedIn].map(([skillId, lesson]) => {
    const nextIn = next.findIndex((trained) => trained?.has(skillId));
    return { skillId, missedIn: lesson, nextIn: nextIn < 0 ? null : nextIn };
  });
}

/** Main skills of the drills of a plan. */
function trainedBy(curriculum: Curriculum, plan: PlanBody): Set<string> {
  const own = curriculumOf(curriculum, plan);
  return new Set(
    plan.blocks.flatMap((block) => {
      const drill = drillOf(own, block);
      return drill ? [mainSkillOf(drill)] : [];
    }),
  );
}

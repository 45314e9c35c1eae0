import { type FittedSkills, parametersFor } from './fitted';
import type { Skill } from './skill';
import { type Attempt, type SkillEstimate, traceSkill } from './tracing';

/** An attempt with the skill it was at. */
export interface SkillAttempt extends Attempt {
  skillId: string;
}

/** Estimates of every skill that is taught, for one student, by skill id. */
export type SkillState = Record<string, SkillEstimate>;

/** Above this a skill counts as ready to build on. */
export const READY = 0.6;

/**
 * Traces every skill that is taught; attempts at others are left out.
 *
 * @param skills those in force, as `curriculum.skills.all`
 * @param fitted parameters of the school's own records; the priors that ship when left out
 */
export function skillState(
  skills: readonly Skill[],
  attempts: readonly SkillAttempt[],
  nowMs: number,
  fitted: FittedSkills = {},
): SkillState {
  const bySkill = new Map<string, SkillAttempt[]>();
  for (const attempt of attempts) {
    const list = bySkill.get(attempt.skillId);
    if (list) list.push(attempt);
    else bySkill.set(attempt.skillId, [attempt]);
  }
  const unseen = traceSkill([], nowMs);
  const estimate = ({ id, forgetDays }: Skill): SkillEstimate => {
    const attempted = bySkill.get(id);
    return attempted || fitted[id]?.enough
      ? traceSkill(attempted ?? [], nowMs, parametersFor(fitted, id), forgetDays)
      : unseen;
  };
  return Object.fromEntries(skills.map((skill) => [skill.id, estimate(skill)]));
}

/** What is said of a skill first, before any figure. */
export type SkillStage = 'not-seen' | 'learning' | 'has-it';

/** Where a student is with a skill: nobody saw it, it comes, or it is ready to build on. */
export function skillStage({ attempts, mastery }: Pick<SkillEstimate, 'attempts' | 'mastery'>): SkillStage {
  if (attempts === 0) return 'not-seen';
  return mastery >= READY ? 'has-it' : 'learning';
}

/** How sure an estimate is. */
export type Sureness = 'not-seen' | 'barely' | 'fairly' | 'sure';

/** How sure an estimate is, by the width of its interval. */
export function sureness(estimate: SkillEstimate): Sureness {
  if (estimate.attempts === 0) return 'not-seen';
  const width = estimate.high - estimate.low;
  return width > 0.4 ? 'barely' : width > 0.15 ? 'fairly' : 'sure';
}

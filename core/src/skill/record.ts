import type { SkillGraph } from './graph';
import { type Attempt, type SkillEstimate, traceSkill } from './tracing';

/** An attempt with the skill it was at. */
export interface SkillAttempt extends Attempt {
  skillId: string;
}

/** Estimates of every skill of the graph for one student, by skill id. */
export type SkillState = Record<string, SkillEstimate>;

/** Above this a skill counts as ready to build on. */
export const READY = 0.6;

/** Traces every skill of a graph; attempts at skills the graph does not know are left out. */
export function skillState(graph: SkillGraph, attempts: readonly SkillAttempt[], nowMs: number): SkillState {
  const bySkill = new Map<string, SkillAttempt[]>();
  for (const attempt of attempts) {
    const list = bySkill.get(attempt.skillId);
    if (list) list.push(attempt);
    else bySkill.set(attempt.skillId, [attempt]);
  }
  const unseen = traceSkill([], nowMs);
  const estimate = (attempted: SkillAttempt[] | undefined): SkillEstimate =>
    attempted ? traceSkill(attempted, nowMs) : unseen;
  return Object.fromEntries(graph.skills.map((skill) => [skill.id, estimate(bySkill.get(skill.id))]));
}

/** How sure an estimate is, in words, by the width of its interval. */
export function sureness(estimate: SkillEstimate): 'not seen yet' | 'barely sure' | 'fairly sure' | 'sure' {
  if (estimate.attempts === 0) return 'not seen yet';
  const width = estimate.high - estimate.low;
  return width > 0.4 ? 'barely sure' : width > 0.15 ? 'fairly sure' : 'sure';
}

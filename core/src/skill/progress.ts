import { type FittedSkills, parametersFor } from './fitted';
import { READY, type SkillAttempt } from './record';
import type { Skill } from './skill';
import type { Strand } from './strand';
import { inOrder, SESSION_GAP_HOURS, traceSkill } from './tracing';

const MS_PER_HOUR = 3_600_000;
const MS_PER_DAY = 24 * MS_PER_HOUR;

/**
 * Where a student stands, in few words for a list. It holds until something new is on record: what is forgotten meanwhile
 * is in it.
 */
export interface Progress {
  /** Epoch milliseconds of the last attempt; null without one. */
  lastAtMs: number | null;
  /** Until when each skill that is ready to build on stays so without practice, by strand; epoch milliseconds. */
  readyUntilMs: Partial<Record<Strand, number[]>>;
}

/**
 * @param skills those in force
 * @param attempts of one student, and what else speaks for his skills, in any order
 * @param fitted parameters of the school's own records; the priors that ship when left out
 */
export function progressOf(
  skills: readonly Skill[],
  attempts: readonly SkillAttempt[],
  fitted: FittedSkills = {},
): Progress {
  const ordered = inOrder(attempts);
  const readyUntilMs: Progress['readyUntilMs'] = {};
  for (const { id, strand, forgetDays } of skills) {
    const own = ordered.filter(({ skillId }) => skillId === id);
    const lastMs = own.at(-1)?.atMs;
    if (lastMs === undefined) continue;
    const { mastery } = traceSkill(own, lastMs, parametersFor(fitted, id), forgetDays);
    if (mastery >= READY)
      readyUntilMs[strand] = [...(readyUntilMs[strand] ?? []), readyUntil(mastery, lastMs, forgetDays)];
  }
  return { lastAtMs: ordered.at(-1)?.atMs ?? null, readyUntilMs };
}

/**
 * Skills of a strand that are ready to build on at some later moment.
 *
 * @param nowMs epoch milliseconds
 * @returns how many, 0 and more
 */
export function readyIn({ readyUntilMs }: Progress, strand: Strand, nowMs: number): number {
  return readyUntilMs[strand]?.filter((untilMs) => nowMs <= untilMs).length ?? 0;
}

/** Mastery fades to what counts as ready in forgetDays · ln(mastery / READY); within a session nothing fades. */
function readyUntil(mastery: number, lastMs: number, forgetDays: number): number {
  const fadesMs = forgetDays * Math.log(mastery / READY) * MS_PER_DAY;
  return Math.floor(lastMs + Math.max(SESSION_GAP_HOURS * MS_PER_HOUR, fadesMs));
}

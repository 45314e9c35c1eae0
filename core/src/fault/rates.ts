import { Z90, shareInterval } from '../statistics';

/** One attempt as the fault statistics see it; `faultId` null for a good one. */
export interface FaultAttempt {
  atMs: number;
  faultId: string | null;
}

export interface FaultRate {
  faultId: string;
  count: number;
  /** Share of all attempts. */
  rate: number;
  /** 90 % interval of that share. */
  low: number;
  high: number;
  /** Later half of the attempts against the earlier half. */
  trend: 'falling' | 'rising' | 'unclear';
}

/** Fewest attempts before a trend is named. */
export const MIN_TREND = 30;

/** Rates of every fault seen, most frequent first (the Pareto order); ties by id. */
export function faultRates(attempts: readonly FaultAttempt[]): FaultRate[] {
  const ordered = [...attempts].sort((a, b) => a.atMs - b.atMs);
  const half = Math.floor(ordered.length / 2);
  const early = counts(ordered.slice(0, half));
  const late = counts(ordered.slice(half));
  const all = counts(ordered);
  return [...all]
    .map(([faultId, count]) => ({
      faultId,
      count,
      rate: count / ordered.length,
      ...shareInterval(count, ordered.length),
      trend: trend(early.get(faultId) ?? 0, half, late.get(faultId) ?? 0, ordered.length - half),
    }))
    .sort((a, b) => b.count - a.count || (a.faultId < b.faultId ? -1 : 1));
}

/** Rate of one fault in one lesson, with its 90 % interval. */
export interface LessonRate {
  lessonId: string;
  atMs: number;
  n: number;
  rate: number;
  low: number;
  high: number;
}

/** Rates of a fault lesson by lesson, in the order of time; lessons without attempts are left out. */
export function faultCourse(
  attempts: readonly (FaultAttempt & { lessonId: string })[],
  faultId: string,
): LessonRate[] {
  const lessons = new Map<string, (FaultAttempt & { lessonId: string })[]>();
  for (const attempt of attempts)
    lessons.set(attempt.lessonId, [...(lessons.get(attempt.lessonId) ?? []), attempt]);
  return [...lessons]
    .map(([lessonId, own]) => {
      const count = own.filter((attempt) => attempt.faultId === faultId).length;
      return {
        lessonId,
        atMs: Math.min(...own.map(({ atMs }) => atMs)),
        n: own.length,
        rate: count / own.length,
        ...shareInterval(count, own.length),
      };
    })
    .sort((a, b) => a.atMs - b.atMs);
}

function counts(attempts: readonly FaultAttempt[]): Map<string, number> {
  const map = new Map<string, number>();
  for (const { faultId } of attempts) if (faultId !== null) map.set(faultId, (map.get(faultId) ?? 0) + 1);
  return map;
}

/** Two-proportion z test at two-sided 90 %. */
function trend(earlyCount: number, earlyN: number, lateCount: number, lateN: number): FaultRate['trend'] {
  if (earlyN + lateN < MIN_TREND) return 'unclear';
  const pooled = (earlyCount + lateCount) / (earlyN + lateN);
  const spread = Math.sqrt(pooled * (1 - pooled) * (1 / earlyN + 1 / lateN));
  if (spread === 0) return 'unclear';
  const z = (lateCount / lateN - earlyCount / earlyN) / spread;
  return z < -Z90 ? 'falling' : z > Z90 ? 'rising' : 'unclear';
}

/**
 * The faults to offer first: the skill's own, those this student made most often at it before the others, then what goes
 * wrong elsewhere in the strand.
 *
 * @param limit how many are wanted at most
 * @param seen fault counts of this student at the skill, by fault id
 * @param skillFaults faults of the skill, in catalogue order
 * @param strandFaults further faults of the strand, commonest first
 * @returns at most `limit` ids
 */
export function likeliestFaults(
  seen: Record<string, number>,
  skillFaults: readonly string[],
  strandFaults: readonly string[] = [],
  limit = 6,
): string[] {
  const own = new Set(skillFaults);
  const all = [...new Set([...skillFaults, ...strandFaults])];
  return all
    .map((id, index) => ({ id, index, count: seen[id] ?? 0 }))
    .sort((a, b) => b.count - a.count || Number(own.has(b.id)) - Number(own.has(a.id)) || a.index - b.index)
    .slice(0, limit)
    .map(({ id }) => id);
}

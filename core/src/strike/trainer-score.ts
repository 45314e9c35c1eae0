import { LATEST_MS, type Stimulus, TAKE_KINDS, takeScore, type TakeScore } from './take-score';

export interface TrainerScore extends TakeScore {
  /** Ticks on the bottom, and how many of them were set on: as it should be, nobody can tell. */
  ticks: number;
  ticksSet: number;
}

/** The score of a run. The bottom is a set too: what was set on a tick is neither hit nor false alarm. */
export function trainerScore(stimuli: readonly Stimulus[], setsMs: readonly number[]): TrainerScore {
  const ticks = stimuli.filter(({ kind }) => kind === 'tick');
  const others = stimuli.filter(({ kind }) => kind !== 'tick');
  const onTick = new Set<number>();
  for (const { atMs } of ticks) {
    const set = setsMs.find((one) => one >= atMs && one - atMs <= LATEST_MS && !onTick.has(one));
    const later = others.some((one) => set !== undefined && one.atMs > atMs && one.atMs <= set);
    if (set !== undefined && !later) onTick.add(set);
  }
  return {
    ...takeScore(
      others,
      setsMs.filter((one) => !onTick.has(one)),
    ),
    ticks: ticks.length,
    ticksSet: onTick.size,
  };
}

/** Slower than this a hit is late, milliseconds: the fish has let go of a nymph by then more often than not. Estimate. */
export const LATE_MS = 800;

/** What a run tells of a student: an attempt for each take and each false alarm. */
export interface TrainerAttempt {
  atMs: number;
  skillId: 'hook-setting.see-take' | 'hook-setting.set-timing';
  good: boolean;
  faultId: 'set.late' | 'set.no-reaction' | 'set.early' | null;
}

/** Attempts of a run for the record: seen in time, seen late, not seen, or set on nothing. */
export function trainerAttempts(stimuli: readonly Stimulus[], setsMs: readonly number[]): TrainerAttempt[] {
  const taken = new Set<number>();
  const attempts: TrainerAttempt[] = [];
  for (const { atMs, kind } of stimuli) {
    const set = setsMs.find((one) => one >= atMs && one - atMs <= LATEST_MS && !taken.has(one));
    if (set !== undefined) taken.add(set);
    if (kind === 'tick') continue;
    const isTake = (TAKE_KINDS as readonly string[]).includes(kind);
    if (!isTake) {
      if (set !== undefined)
        attempts.push({ atMs: set, skillId: 'hook-setting.set-timing', good: false, faultId: 'set.early' });
    } else if (set === undefined)
      attempts.push({
        atMs: atMs + LATEST_MS,
        skillId: 'hook-setting.see-take',
        good: false,
        faultId: 'set.no-reaction',
      });
    else if (set - atMs > LATE_MS)
      attempts.push({ atMs: set, skillId: 'hook-setting.see-take', good: false, faultId: 'set.late' });
    else attempts.push({ atMs: set, skillId: 'hook-setting.see-take', good: true, faultId: null });
  }
  return attempts.sort((a, b) => a.atMs - b.atMs);
}

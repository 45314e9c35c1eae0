import type { Activity, Board } from '../model';

/** The last minutes of a lesson are no loss: they are the margin. */
export const MARGIN_MIN = 10;

/** Breaks of so long are good in every so long a stretch, minutes. Rules of thumb. */
const REST_MIN = 10;
const REST_EVERY_MIN = 90;

/** Minutes of breaks beyond what is good: that is waiting by another name. */
function longRests(lengthMin: number, acts: readonly Activity[]): number {
  const rests = acts.reduce(
    (sum, { kind, startMin, endMin }) => sum + (kind === 'break' ? endMin - startMin : 0),
    0,
  );
  return Math.max(0, rests - REST_MIN * Math.max(1, Math.round(lengthMin / REST_EVERY_MIN)));
}

/**
 * Time in which a student has nothing to do, from the start to the margin.
 *
 * @param acts his, in the order of time
 * @returns minutes
 */
export function idleOf({ task }: Board, acts: readonly Activity[]): number {
  const untilMin = task.plan.lengthMin - MARGIN_MIN;
  let [busyUntil, idle] = [0, 0];
  for (const { startMin, endMin } of acts) {
    idle += Math.max(0, Math.min(startMin, untilMin) - busyUntil);
    busyUntil = Math.max(busyUntil, Math.min(endMin, untilMin));
  }
  return idle + Math.max(0, untilMin - busyUntil) + longRests(task.plan.lengthMin, acts);
}

import type { Activity, Board } from '../model';

/** The last minutes of a lesson are no loss: they are the margin. */
export const MARGIN_MIN = 10;

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
  return idle + Math.max(0, untilMin - busyUntil);
}

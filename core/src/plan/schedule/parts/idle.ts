import type { Activity, Board } from '../model';

/** The last minutes of a lesson are no loss: they are the margin. */
export const MARGIN_MIN = 10;

/** A break is one after so long, and for so long, minutes: else it is waiting by another name. Rules of thumb. */
export const REST_AFTER_MIN = 60;
const REST_MIN = 15;

/** Minutes of breaks that come too soon, or last too long. */
function waitingRests(acts: readonly Activity[]): number {
  let [waiting, since] = [0, 0];
  for (const { kind, startMin, endMin } of acts) {
    if (kind !== 'break') continue;
    const taken = endMin - startMin;
    waiting += startMin - since < REST_AFTER_MIN ? taken : Math.max(0, taken - REST_MIN);
    since = endMin;
  }
  return waiting;
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
  return idle + Math.max(0, untilMin - busyUntil) + waitingRests(acts);
}

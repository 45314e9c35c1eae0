import { isWet } from '../activity';
import type { Activity, Board } from '../model';

/**
 * How often a student goes from one place to another; what can be done anywhere is done where he is.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function walksOf(acts: readonly Activity[]): number {
  let [walks, at] = [0, null as Activity['place'] | null];
  for (const { place } of acts) {
    if (place === 'anywhere') continue;
    if (at !== null && place !== at) walks += 1;
    at = place;
  }
  return walks;
}

/**
 * How often he goes back from the water to the grass.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function backToGrassOf(acts: readonly Activity[]): number {
  let [back, wasAtWater] = [0, false];
  for (const { place } of acts) {
    if (place === 'anywhere') continue;
    if (place === 'grass' && wasAtWater) back += 1;
    wasAtWater = place !== 'grass';
  }
  return back;
}

/**
 * Minutes by which a student's time at the water falls short of its share of the lesson.
 *
 * @param acts his, in the order of time
 * @returns minutes
 */
export function waterShortOf({ task }: Board, acts: readonly Activity[]): number {
  if (!task.lesson.water.places.some(({ kind }) => isWet(kind))) return 0;
  const there = acts.reduce((sum, { wet, startMin, endMin }) => sum + (wet ? endMin - startMin : 0), 0);
  return Math.max(0, WATER_SHARE * task.plan.lengthMin - there);
}

/** Who comes to fish wants to be at the water for so much of the day. A rule of thumb. */
const WATER_SHARE = 0.35;

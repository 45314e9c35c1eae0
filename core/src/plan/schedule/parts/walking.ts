import { isWet } from '../activity';
import type { Activity, Board } from '../model';
import type { ScheduleTask } from '../task';

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
export function waterShortOf({ waterMin }: Board, acts: readonly Activity[]): number {
  let there = 0;
  for (const { wet, startMin, endMin } of acts) if (wet) there += endMin - startMin;
  return Math.max(0, waterMin - there);
}

/** Who comes to fish wants to be at the water for so much of the day. A rule of thumb. */
const WATER_SHARE = 0.35;

/**
 * What is wanted of a lesson at the water; nothing where there is none.
 *
 * @returns minutes
 */
export function waterMinOf({ lesson, plan }: ScheduleTask): number {
  return lesson.water.places.some(({ kind }) => isWet(kind)) ? WATER_SHARE * plan.lengthMin : 0;
}

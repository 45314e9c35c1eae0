import type { Drill } from '../../../drill';
import type { Activity, Board, BoardDrill } from '../model';

/** A drill that is moved by more than this counts as a part of one that is lost, minutes. Rules of thumb. */
const NEAR_MIN = 10;
const MOVED_COUNTS = 0.15;
/** One that has no time left counts so much of one that is lost, when it is there at all. A rule of thumb. */
const SHORTER_COUNTS = 0.4;

/**
 * How many of the drills that were planned for a student are not in his day; what is moved far counts a little.
 *
 * @param lane his place in the group, a plain number from 0
 * @param acts his, in the order of time
 * @returns a plain number of 0 and more
 */
export function lostOf({ had }: Board, lane: number, acts: readonly Activity[]): number {
  let lost = 0;
  for (const [index, { startMin, takenMin }] of had[lane]!) {
    let minutes = 0;
    let nearest = Number.POSITIVE_INFINITY;
    for (const act of acts)
      if (act.on?.index === index) {
        minutes += act.endMin - act.startMin;
        nearest = Math.min(nearest, Math.abs(act.startMin - startMin));
      }
    if (nearest === Number.POSITIVE_INFINITY) lost += 1;
    else {
      if (nearest > NEAR_MIN) lost += MOVED_COUNTS;
      lost += SHORTER_COUNTS * Math.max(0, 1 - minutes / takenMin);
    }
  }
  return lost;
}

/** Safety belongs into the first quarter of a lesson, the care of fish into the last two fifths. Rules of thumb. */
const SAFETY_UNTIL = 0.25;
const FISH_CARE_FROM = 0.6;

/**
 * Between which minutes of a lesson a drill is in order: safety early, the care of fish late.
 *
 * @param lengthMin of the lesson, minutes
 */
export function orderOf({ strand }: Drill, lengthMin: number): BoardDrill['inOrder'] {
  return {
    fromMin: strand === 'fish-care' ? FISH_CARE_FROM * lengthMin : 0,
    toMin: strand === 'safety' ? SAFETY_UNTIL * lengthMin : Number.POSITIVE_INFINITY,
  };
}

/**
 * Whether a drill on safety comes late, or one on the care of fish early.
 *
 * @param startMin when it begins, minutes
 */
export function isOutOfOrder({ inOrder }: BoardDrill, startMin: number): boolean {
  return startMin < inOrder.fromMin || startMin > inOrder.toMin;
}

/**
 * How many drills on safety come late, and on the care of fish early.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function outOfOrderOf(acts: readonly Activity[]): number {
  let out = 0;
  for (const { on, startMin } of acts) if (on && isOutOfOrder(on, startMin)) out += 1;
  return out;
}

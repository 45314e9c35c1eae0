import type { Activity, Board } from '../model';
import type { Gene } from '../genes';
import type { Days } from '../parts';

/** A plan, of the list it was put from when each thing begins, and its days. */
export interface Looked {
  acts: readonly Activity[];
  genes: readonly Gene[];
  starts: readonly number[];
  days: Days;
}

/**
 * Of each skill the bits of those who were taught it before a minute of a plan.
 *
 * @param acts in the order of time
 */
export function taughtBefore(
  { skills }: Pick<Board, 'skills'>,
  acts: readonly Activity[],
  atMin: number,
): Uint8Array {
  const taught = new Uint8Array(skills.length);
  for (const { on, startMin, lanes } of acts) {
    if (startMin >= atMin) break;
    for (const { skill } of on?.trains ?? []) taught[skill]! |= lanes;
  }
  return taught;
}

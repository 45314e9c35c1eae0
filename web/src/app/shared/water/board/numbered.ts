import type { Point } from '@doceo/core';
import { spreadMarks } from '../../../drawing/spread-marks';
import { MARKS_APART } from './stand-mark.component';

/**
 * Stands as they are drawn: numbered, and their marks apart where they would lie on each other.
 *
 * @param letter height of a letter, metres in the drawing
 */
export function numbered<S extends { at: Point }>(
  stands: readonly { stand: S; who: string }[],
  letter: number,
): { stand: S; who: string; number: number; shown: Point }[] {
  const shown = spreadMarks(
    stands.map(({ stand }) => stand.at),
    MARKS_APART * letter,
  );
  return stands.map(({ stand, who }, i) => ({ stand, who, number: i + 1, shown: shown[i]! }));
}

/** Height of a letter that is read with ease, pixels. */
const LETTER_PX = 12.5;
/** Fewer letters leave no room for a name. */
const FEWEST = 26;
/** Before the drawing is measured: as on a desk. */
export const LETTERS_ON_DESK = 66;

/**
 * How many heights of a letter a drawing is wide, so that its words are of one size on any screen.
 *
 * @param widthPx what the drawing takes on the screen, pixels
 */
export function lettersAcross(widthPx: number): number {
  return Math.max(FEWEST, widthPx / LETTER_PX);
}

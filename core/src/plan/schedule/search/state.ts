import type { Activity, Board } from '../model';
import { type Gene, placed } from '../genes';
import { staysAllowed } from '../hard';
import { type Days, daysOf, isSameDay, totalOf } from '../parts';

/** A plan that is looked at. */
export interface State {
  acts: Activity[];
  genes: Gene[];
  starts: number[];
  days: Days;
  total: number;
}

/**
 * A list put into a plan and judged; null where it may not be.
 *
 * @param stays how many things the instructor put in that must be there
 * @param like one that it was made from: days that stayed the same are not judged anew
 */
export function stateOf(
  board: Board,
  genes: readonly Gene[],
  stays: number,
  like: State | null = null,
): State | null {
  const { acts, genes: kept, starts } = placed(board, genes, { waits: true });
  if (stays > 0 && kept.filter(({ plain }) => plain?.stays).length < stays) return null;
  if (like && isSameDay(acts, like.acts)) return { ...like, genes: kept, starts };
  return staysAllowed(board, acts) ? judged(board, acts, { genes: kept, starts }, like) : null;
}

/** A plan that may be, with what it is worth. */
export function judged(
  board: Board,
  acts: Activity[],
  list: Pick<State, 'genes' | 'starts'>,
  like: State | null = null,
): State {
  const days = daysOf(board, acts, like?.days);
  return { acts, ...list, days, total: totalOf(board, acts, days.parts) };
}

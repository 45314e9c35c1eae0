import type { Random } from '../../../random';
import { STEP_MIN } from '../../plan';
import { lanesOf } from '../activity';
import { placed, type Gene } from '../genes';
import type { Board } from '../model';
import { changed } from './changes';
import { constructed } from './constructed';
import { guided } from './guided';
import { roundAnew } from './round-anew';
import { roundsMoved } from './rounds';
import { STRAY } from './starts';
import type { State } from './state';

/** Of all changes so many are of each kind; the rest are small ones by a draw. */
const ROUND_ANEW = 0.3;
const ANEW = 0.02;
const MOVED = 0.28;
const LOOKED_FOR = 0.21;

/**
 * A list that is a little other than that of a plan.
 *
 * @param together whether what comes anew is for all
 */
export function neighbour(board: Board, now: State, random: Random, together: boolean): Gene[] {
  let which = random();
  if (which < ROUND_ANEW) return roundAnew(board, now, random, together);
  which -= ROUND_ANEW;
  if (which < ANEW) return madeAnew(board, now, random, together);
  if (which < ANEW + MOVED) return roundsMoved(now.genes, now.starts, random);
  if (which < ANEW + MOVED + LOOKED_FOR) return guided(board, now, random);
  return changed(board, now.genes, random, together);
}

/** Up to so long a stretch, minutes. */
const STRETCH_MIN = 60;

/** The plan with a stretch of it made anew, and what came behind it put behind that. */
function madeAnew(board: Board, { genes }: State, random: Random, together: boolean): Gene[] {
  const from = Math.floor(random() * genes.length);
  const before = genes.slice(0, from);
  const atMin = Math.min(...placed(board, before).free);
  const untilMin = Math.min(
    board.task.plan.lengthMin,
    atMin + STEP_MIN * (2 + Math.floor((random() * STRETCH_MIN) / STEP_MIN)),
  );
  const made = constructed(board, random, { stray: STRAY, before, untilMin, together });
  let at = from;
  // What lay in the stretch goes.
  const spent = board.students.map(() => 0);
  for (; at < genes.length; at++) {
    const { lanes, takenMin } = genes[at]!;
    if (lanesOf(lanes).every((lane) => atMin + spent[lane]! >= untilMin)) break;
    for (const lane of lanesOf(lanes)) spent[lane]! += takenMin;
  }
  return [...made, ...genes.slice(at)];
}

import { seededRandom } from '../../../random';
import { genesOf } from '../genes';
import { canLock, isAllowed } from '../hard';
import type { Activity, Board } from '../model';
import { type Score, scoreOf } from '../parts';
import { neighbour } from './neighbour';
import { canBeTogether, starts } from './starts';
import { judged, type State, stateOf } from './state';

/** A plan on its way, with what it is worth. */
export interface Found {
  acts: Activity[];
  score: Score;
}

/** How far the search is, and what it has found now. */
export interface Step {
  tried: number;
  found: Found | null;
}

/** After so many changes it is told how far the search is. */
const TELL_EVERY = 200;

/**
 * Of the tries so many, the first, look for a day that all spend together: that is a far smaller choice, and where they do
 * part afterwards they part from a good day.
 */
const TOGETHER = 0.4;

/** How much worse a step may be at first, after days together were looked for, and at last, points. */
const HOT = 0.06;
const HOT_AGAIN = 0.02;
const COLD = 0.001;

/**
 * Plans, each better than the one before: one made step by step by what gains most a minute, then changed a little many
 * times, first for all together, then also for some apart. The same seed gives the same plans. Nothing comes where
 * nothing is allowed.
 *
 * @param given a plan to begin with; it is never made worse
 * @param tries how many changes are tried
 */
export function* betterPlans(
  board: Board,
  { seed, tries, given }: { seed: string; tries: number; given: readonly Activity[] | null },
): Generator<Step> {
  if (!canLock(board)) return;
  const random = seededRandom(seed);
  const had = given ? genesOf(board, given) : [];
  const stays = had.filter(({ plain }) => plain?.stays);
  let best: State | null = null;
  if (given && isAllowed(board, given)) {
    // As it was given it may have gaps on purpose that a list of genes has not.
    best = judged(board, [...given], { genes: had, starts: [] });
    yield { found: foundOf(board, best), tried: 0 };
  }
  for (const genes of starts(board, had, stays, random, () => best)) {
    const state = stateOf(board, genes, stays.length);
    if (!state || (best && state.total <= best.total)) continue;
    best = state;
    yield { found: foundOf(board, best), tried: 0 };
  }
  if (!best) return;
  let now: State = stateOf(board, best.genes, stays.length) ?? best;
  let told = 0;
  const togetherUntil = canBeTogether(board) ? Math.round(TOGETHER * tries) : 0;
  for (let tried = 0; tried < tries; tried++) {
    if (tried - told >= TELL_EVERY) yield { found: null, tried: (told = tried) };
    const together = tried < togetherUntil;
    if (tried === togetherUntil) now = stateOf(board, best.genes, stays.length) ?? now;
    const genes = neighbour(board, now, random, together);
    const next = stateOf(board, genes, stays.length, now);
    if (!next) continue;
    const heat = together
      ? heatAt(HOT, tried / togetherUntil)
      : heatAt(togetherUntil > 0 ? HOT_AGAIN : HOT, (tried - togetherUntil) / (tries - togetherUntil));
    const loss = now.total - next.total;
    if (loss > 0 && random() >= Math.exp(-loss / heat)) continue;
    now = next;
    if (now.total > best.total + 1e-9) {
      best = now;
      yield { found: foundOf(board, best), tried };
    }
  }
}

/**
 * How much worse a step may be, points.
 *
 * @param share how far the search is, a plain number from 0 to 1
 */
function heatAt(hot: number, share: number): number {
  return hot * (COLD / hot) ** share;
}

function foundOf(board: Board, { acts }: State): Found {
  return { acts, score: scoreOf(board, acts) };
}

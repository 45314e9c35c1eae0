import type { Activity, Board } from '../model';
import { type Random, seededRandom } from '../../../random';
import { STEP_MIN } from '../../plan';
import { lanesOf } from '../activity';
import { changed } from './changes';
import { constructed } from './constructed';
import { BREAK, BREAK_MIN, type Gene, geneOf, genesOf, placed } from '../genes';
import { canLock, hardFaults, isAllowed, staysAllowed } from '../hard';
import { type Days, daysOf, isSameDay, type Score, scoreOf, totalOf } from '../parts';
import { guided } from './guided';
import { roundsMoved } from './rounds';

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

/** A plan that is looked at. */
interface State {
  acts: Activity[];
  genes: Gene[];
  starts: number[];
  days: Days;
  total: number;
}

/** How much worse a step may be at first and at last, points. */
const HOT = 0.06;
const COLD = 0.001;

/**
 * Plans, each better than the one before: one made step by step by what gains most a minute, then changed a little many
 * times. The same seed gives the same plans. Nothing comes where nothing is allowed.
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
  for (let tried = 0; tried < tries; tried++) {
    if (tried - told >= TELL_EVERY) yield { found: null, tried: (told = tried) };
    const genes = neighbour(board, now, random);
    const next = stateOf(board, genes, stays.length, now);
    if (!next) continue;
    const heat = HOT * (COLD / HOT) ** (tried / tries);
    const loss = now.total - next.total;
    if (loss > 0 && random() >= Math.exp(-loss / heat)) continue;
    now = next;
    if (now.total > best.total + 1e-9) {
      best = now;
      yield { found: foundOf(board, best), tried };
    }
  }
}

/** Of all changes so many are a stretch made anew, rounds that move, and a drill that is looked for. */
const ANEW = 0.03;
const MOVED = 0.4;
const LOOKED_FOR = 0.3;

/** A list that is a little other than that of a plan. */
function neighbour(board: Board, now: State, random: Random): Gene[] {
  const which = random();
  if (which < ANEW) return madeAnew(board, now, random);
  if (which < ANEW + MOVED) return roundsMoved(now.genes, now.starts, random);
  if (which < ANEW + MOVED + LOOKED_FOR) return guided(board, now, random);
  return changed(board, now.genes, random);
}

/** Up to so long a stretch, minutes. */
const STRETCH_MIN = 60;

/** The plan with a stretch of it made anew, and what came behind it put behind that. */
function madeAnew(board: Board, { genes }: State, random: Random): Gene[] {
  const from = Math.floor(random() * genes.length);
  const before = genes.slice(0, from);
  const atMin = Math.min(...placed(board, before).free);
  const untilMin = Math.min(
    board.task.plan.lengthMin,
    atMin + STEP_MIN * (2 + Math.floor((random() * STRETCH_MIN) / STEP_MIN)),
  );
  const made = constructed(board, random, { stray: STRAY, before, untilMin });
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

/**
 * @param stays how many things the instructor put in that must be there
 * @param like one that it was made from: days that stayed the same are not judged anew
 */
function stateOf(
  board: Board,
  genes: readonly Gene[],
  stays: number,
  like: State | null = null,
): State | null {
  const { acts, genes: kept, starts } = placed(board, genes);
  if (stays > 0 && kept.filter(({ plain }) => plain?.stays).length < stays) return null;
  if (like && isSameDay(acts, like.acts)) return { ...like, genes: kept, starts };
  return staysAllowed(board, acts) ? judged(board, acts, { genes: kept, starts }, like) : null;
}

function judged(
  board: Board,
  acts: Activity[],
  list: Pick<State, 'genes' | 'starts'>,
  like: State | null = null,
): State {
  const days = daysOf(board, acts, like?.days);
  return { acts, ...list, days, total: totalOf(board, acts, days.parts) };
}

function foundOf(board: Board, { acts }: State): Found {
  return { acts, score: scoreOf(board, acts) };
}

/** So many first plans are made, the first by the best choice each time, the others near it. */
const FIRST_PLANS = 4;
const STRAY = 0.35;
/** Where none of them may be, so many more are made, by choices far from the best. */
const MORE_PLANS = 20;
const FAR_STRAY = 0.8;

/** Plans to begin with: what is there, and some made anew with what the instructor put in, each where it costs least. */
function* starts(
  board: Board,
  had: readonly Gene[],
  stays: readonly Gene[],
  random: Random,
  best: () => State | null,
): Generator<readonly Gene[]> {
  const made = (stray: number, before: readonly Gene[] = []): Gene[] => {
    const genes = constructed(board, random, { stray, before, untilMin: board.task.plan.lengthMin });
    return stays.reduce((list, stay) => withStay(board, list, stay), genes);
  };
  if (stays.length > 0) for (const talk of shortTalks(board)) yield [...talk, ...stays];
  if (had.length > 0) {
    yield had;
    yield repaired(board, had);
  }
  for (let i = 0; i < FIRST_PLANS; i++) {
    const genes = made(i === 0 ? 0 : STRAY);
    yield genes;
    yield withBreaks(board, genes);
  }
  for (let i = 0; i < MORE_PLANS && !best(); i++) yield made(FAR_STRAY);
  // Where the talk that must come first is worth less than it takes nothing is begun: then it is given, and one goes on.
  if (best()?.acts.length === 0) for (const talk of shortTalks(board)) yield made(0, talk);
}

/** Talks on safety for all, as short as they may be, where nothing may come before one. */
function shortTalks({ drills, talks, all }: Board): Gene[][] {
  if (!talks) return [[]];
  return drills
    .filter(({ drill, who }) => drill.strand === 'safety' && who === all)
    .map((drill) => [geneOf(drill, drill.leastMin, all)]);
}

/** What is there without what breaks a rule, and the stretches that this leaves made anew. */
function repaired(board: Board, had: readonly Gene[]): Gene[] {
  let left = [...had];
  for (;;) {
    const { acts, genes } = placed(board, left);
    const fault = hardFaults(board, acts).find(({ act }) => act?.on && act.blockIds.length === 0);
    if (!fault?.act) return genes;
    const { on, lanes } = fault.act;
    const hit = fault.lane === null ? lanes : 1 << fault.lane;
    const fewer = left.flatMap((gene) => {
      if (gene.drill !== on || (gene.lanes & hit) === 0) return gene;
      const rest = gene.lanes & ~hit;
      return rest === 0 ? [] : { ...gene, lanes: rest };
    });
    if (fewer.length === left.length && fewer.every((gene, i) => gene === left[i])) return genes;
    left = fewer;
  }
}

/** A list with breaks for all where they gain, up to three. */
function withBreaks(board: Board, genes: Gene[]): Gene[] {
  if (board.task.addsBreaks === false) return genes;
  let best = genes;
  const rest = geneOf(BREAK, BREAK_MIN, board.all);
  for (let i = 0; i < 3; i++) {
    const more = withStay(board, best, rest);
    const [before, after] = [stateOf(board, best, 0), stateOf(board, more, 0)];
    if (!after || (before && before.total >= after.total)) break;
    best = more;
  }
  return best;
}

/** A list with one thing more, where it costs least. */
function withStay(board: Board, genes: readonly Gene[], stay: Gene): Gene[] {
  let best: { genes: Gene[]; total: number } | null = null;
  for (let at = genes.length; at >= 0; at--) {
    const tried = [...genes.slice(0, at), stay, ...genes.slice(at)];
    const { acts, genes: kept } = placed(board, tried);
    if (!kept.includes(stay) || !staysAllowed(board, acts)) continue;
    const { total } = judged(board, acts, { genes: kept, starts: [] });
    if (!best || total > best.total) best = { genes: tried, total };
  }
  return best?.genes ?? [...genes, stay];
}

import type { Random } from '../../../random';
import type { Board } from '../model';
import { constructed } from './constructed';
import { BREAK, BREAK_MIN, type Gene, geneOf, placed } from '../genes';
import { hardFaults, staysAllowed } from '../hard';
import { judged, type State, stateOf } from './state';

/** So many first plans are made, the first by the best choice each time, the others near it. */
const FIRST_PLANS = 4;
/** How far from the best a choice may be that is one of many. */
export const STRAY = 0.35;
/** Where none of them may be, so many more are made, by choices far from the best. */
const MORE_PLANS = 20;
const FAR_STRAY = 0.8;

/** Plans to begin with: what is there, and some made anew with what the instructor put in, each where it costs least. */
export function* starts(
  board: Board,
  had: readonly Gene[],
  stays: readonly Gene[],
  random: Random,
  best: () => State | null,
): Generator<readonly Gene[]> {
  const { lengthMin: untilMin } = board.task.plan;
  const made = (stray: number, { before = [], together = false }: Made = {}): Gene[] => {
    const genes = constructed(board, random, { stray, before, untilMin, together });
    return stays.reduce((list, stay) => withStay(board, list, stay), genes);
  };
  if (stays.length > 0) for (const talk of shortTalks(board)) yield [...talk, ...stays];
  if (had.length > 0) {
    yield had;
    yield repaired(board, had);
  }
  for (let i = 0; i < FIRST_PLANS; i++) yield made(i === 0 ? 0 : STRAY, { together: canBeTogether(board) });
  const first = best();
  if (first) yield withBreaks(board, first.genes);
  for (let i = 0; i < MORE_PLANS && !best(); i++) yield made(FAR_STRAY);
  // Where the talk that must come first is worth less than it takes nothing is begun: then it is given, and one goes on.
  if (best()?.acts.length === 0) for (const talk of shortTalks(board)) yield made(0, { before: talk });
}

/** How a plan to begin with is made: behind what goes first, and whether all stay together. */
interface Made {
  before?: readonly Gene[];
  together?: boolean;
}

/** Whether all may do everything together. */
export function canBeTogether({ students, groups }: Board): boolean {
  return groups.length === 0 && students.length > 1;
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
function withBreaks(board: Board, genes: readonly Gene[]): readonly Gene[] {
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

import type { Board, BoardDrill } from './model';
import { boardOf, couldGive } from './board/board';
import { type Gene, geneOf, placed } from './genes';
import { canLock, staysAllowed } from './hard';
import { proposalOf, type Proposal } from './proposal';
import { scoreOf } from './parts';
import type { ScheduleTask } from './task';

/** How one plans by a rule of thumb: the longest first, what gives most a minute, one strand after the other. */
export const PLAIN_RULES = ['longest-first', 'gain-per-minute', 'round-robin'] as const;
export type PlainRule = (typeof PLAIN_RULES)[number];

/**
 * The plan that a plain rule makes: everybody does the next drill of its order that is allowed, each once, until nothing
 * fits any more. What the machine's plan is held against.
 *
 * @returns null where nothing is allowed
 */
export function plainPlan(task: ScheduleTask, rule: PlainRule): Proposal | null {
  const board = boardOf(task);
  if (!canLock(board)) return null;
  const left = inOrder(board, rule);
  let genes: Gene[] = [];
  for (;;) {
    const { length } = placed(board, genes).acts;
    const at = left.findIndex((drill) => {
      const { acts } = placed(board, [...genes, forAll(drill)]);
      return acts.length > length && staysAllowed(board, acts);
    });
    if (at < 0) break;
    genes = [...genes, ...left.splice(at, 1).map(forAll)];
  }
  const { acts } = placed(board, genes);
  return acts.length === 0 ? null : proposalOf(board, acts, scoreOf(board, acts), false);
}

function forAll(drill: BoardDrill): Gene {
  return geneOf(drill, drill.likelyMin, drill.who);
}

function inOrder(board: Board, rule: PlainRule): BoardDrill[] {
  if (rule === 'longest-first') return [...board.drills].sort((a, b) => b.likelyMin - a.likelyMin);
  const perMin = (drill: BoardDrill): number => couldGive(board, drill) / drill.likelyMin;
  const byGain = [...board.drills].sort((a, b) => perMin(b) - perMin(a));
  if (rule === 'gain-per-minute') return byGain;
  // The best of each strand, then the second of each, and so on.
  const strands = new Map<string, number>();
  const turn = new Map(
    byGain.map((drill) => {
      const { strand } = drill.drill;
      strands.set(strand, (strands.get(strand) ?? 0) + 1);
      return [drill, strands.get(strand)!];
    }),
  );
  return byGain.sort((a, b) => turn.get(a)! - turn.get(b)!);
}

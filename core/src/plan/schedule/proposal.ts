import { carrying } from '../carried';
import type { PlanBody } from '../plan';
import { blocksOf } from './blocks-of';
import type { Activity, Board } from './model';
import type { Score } from './parts';

/** A plan that the machine proposes. */
export interface Proposal {
  plan: PlanBody;
  score: Score;
  /** Whether all plans were tried, so that there is none better. */
  exact: boolean;
}

/** Activities as a plan, with what it is worth. */
export function proposalOf(board: Board, acts: readonly Activity[], score: Score, exact: boolean): Proposal {
  const { curriculum, plan } = board.task;
  return { plan: carrying(curriculum, { ...plan, blocks: blocksOf(board, acts) }), score, exact };
}

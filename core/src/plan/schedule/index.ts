import type { Block } from '../plan';
import { actsOf } from './activity';
import { boardOf } from './board';
import { exactSchedule } from './exact';
import { type HardFault, hardFaults } from './hard';
import { type Score, scoreOf } from './parts';
import { proposalOf, type Proposal } from './proposal';
import { betterPlans } from './search';
import type { ScheduleTask } from './task';

export * from './task';
export { reasonsFor } from './explain';
export { HARD_RULES, type HardFault } from './hard';
export { PLAIN_RULES, plainPlan } from './plain-rules';
export { type Proposal } from './proposal';

/**
 * Plans for a task, each better than the one before, the first at once. Where all can be tried the one that comes is the
 * best there is. Nothing comes where no plan is allowed. The same task, seed and tries give the same plans.
 *
 * @param tries changes that are tried before it ends, 0 and more
 */
export function* proposals(
  task: ScheduleTask,
  { seed, tries }: { seed: string; tries: number },
): Generator<Proposal> {
  const board = boardOf(task);
  if (board.students.length === 0) return;
  const given = actsOf(board, task.plan.blocks);
  const exact = exactSchedule(board);
  if (exact) {
    if (exact.acts && exact.score) yield proposalOf(board, exact.acts, exact.score, true);
    return;
  }
  for (const { acts, score } of betterPlans(board, { seed, tries, given: given.length > 0 ? given : null }))
    yield proposalOf(board, acts, score, false);
}

/** The last of the proposals; null where no plan is allowed. */
export function schedule(task: ScheduleTask, options: { seed: string; tries: number }): Proposal | null {
  let best: Proposal | null = null;
  for (const one of proposals(task, options)) best = one;
  return best;
}

/** Tells of blocks as a plan of a task what is wrong with them, and what they are worth. */
export function judgeOf(
  task: ScheduleTask,
): (blocks: readonly Block[]) => { faults: HardFault[]; score: Score } {
  const board = boardOf(task);
  return (blocks) => {
    const acts = actsOf(board, blocks);
    return { faults: hardFaults(board, acts), score: scoreOf(board, acts) };
  };
}

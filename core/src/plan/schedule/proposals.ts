import { actsOf } from './activity';
import { boardOf } from './board/board';
import { exactSchedule } from './exact';
import { proposalOf, type Proposal } from './proposal';
import { shorterPlans } from './keep-order';
import { betterPlans } from './search';
import type { ScheduleTask } from './task';

/** How far the making of a plan is, and the plan that was found now. */
export interface ProposalStep {
  /** Changes tried up to now. */
  tried: number;
  found: Proposal | null;
}

/**
 * Plans for a task, each better than the one before, the first at once, with how far the search is in between. Where all
 * can be tried the one that comes is the best there is. Nothing comes where no plan is allowed. The same task, seed and
 * tries give the same plans.
 *
 * @param tries changes that are tried before it ends, 0 and more
 */
export function* proposalSteps(
  task: ScheduleTask,
  { seed, tries }: { seed: string; tries: number },
): Generator<ProposalStep> {
  const board = boardOf(task);
  if (board.students.length === 0) return;
  const given = actsOf(board, task.plan.blocks);
  // What is no drill and may move is not among what is tried one by one.
  const isDrills = given.every(
    (act) => act.drillId !== null || board.locked.some(({ blockIds }) => blockIds.includes(act.blockIds[0]!)),
  );
  const exact = isDrills ? exactSchedule(board) : null;
  if (exact) {
    const { acts, score, tried } = exact;
    if (acts && score) yield { tried, found: proposalOf(board, acts, score, true) };
    return;
  }
  const steps = task.keepsOrder
    ? shorterPlans(board, given, { seed, tries })
    : betterPlans(board, { seed, tries, given: given.length > 0 ? given : null });
  for (const { found, tried } of steps)
    yield { tried, found: found && proposalOf(board, found.acts, found.score, false) };
}

/** The same without word of how far it is. */
export function* proposals(
  task: ScheduleTask,
  options: { seed: string; tries: number },
): Generator<Proposal> {
  for (const { found } of proposalSteps(task, options)) if (found) yield found;
}

/** The last of the proposals; null where no plan is allowed. */
export function schedule(task: ScheduleTask, options: { seed: string; tries: number }): Proposal | null {
  let best: Proposal | null = null;
  for (const one of proposals(task, options)) best = one;
  return best;
}

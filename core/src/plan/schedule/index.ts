import type { Block, Staff } from '../plan';
import { actsOf } from './activity';
import { boardOf } from './board/board';
import { exactSchedule } from './exact';
import { type HardFault, hardFaults } from './hard';
import { type Score, scoreOf } from './parts';
import { proposalOf, type Proposal } from './proposal';
import { shorterPlans } from './keep-order';
import { betterPlans } from './search';
import type { ScheduleTask } from './task';

export * from './task';
export { cutFirst, type Reason, reasonFor, reasonsFor } from './explain';
export type { Score } from './parts';
export { HARD_RULES, type HardFault, type HardRuleId } from './hard';
export { PLAIN_RULES, plainPlan } from './plain-rules';
export { type Proposal } from './proposal';
export * from './closed-hours';
export * from './replan';
export * from './group-split';
export * from './uses';
export * from './why-not';

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

/** Tells of blocks as a plan of a task which rules it breaks with others who teach. */
export function faultsWith(task: ScheduleTask): (blocks: readonly Block[], staff: Staff) => HardFault[] {
  const board = boardOf(task);
  return (blocks, staff) => hardFaults({ ...board, task: { ...task, staff } }, actsOf(board, blocks));
}

import type { Block, Staff } from '../plan';
import { actsOf } from './activity';
import { boardOf } from './board/board';
import { type HardFault, hardFaults } from './hard';
import { type Score, scoreOf } from './parts';
import type { ScheduleTask } from './task';

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

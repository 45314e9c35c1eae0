import type { Board, BoardDrill } from '../model';
import { lanesOf } from '../activity';
import { type HardFault, type HardRule, inAct } from './rule';

/** Nobody does a drill in whose place he does another, and nobody wades who stays on the bank. */
export const needs: HardRule = (_board, acts) => {
  const found: HardFault[] = [];
  for (const act of acts)
    if (act.on) for (const lane of lanesOf(act.lanes & ~act.on.who)) found.push(inAct('needs', act, lane));
  return found;
};

/** What a drill rests on is ready by the record, or was taught before, to each who does it. */
export const restsOn: HardRule = (board, acts) => {
  // Of each skill the students who were taught it before.
  const taught = new Uint8Array(board.skills.length);
  const found: HardFault[] = [];
  for (const act of acts) {
    if (!act.on) continue;
    for (const lane of lanesOf(act.lanes & notReady(board, act.on, taught)))
      found.push(inAct('rests-on', act, lane));
    for (const { skill } of act.on.trains) taught[skill]! |= act.lanes;
  }
  return found;
};

/**
 * Those to whom something that a drill rests on is neither ready nor taught.
 *
 * @param taught of each skill the bits of those who were taught it
 * @returns bits, a plain number below 256
 */
export function notReady(board: Board, { main, index }: BoardDrill, taught: Uint8Array): number {
  let bits = 0;
  for (const need of board.skills[main]?.needs ?? [])
    bits |= board.all & ~(board.skills[need]!.ready | taught[need]!);
  // What the plan has for a student he may do where somebody decided so.
  if (board.task.trustsPlan)
    for (const lane of lanesOf(bits)) if (board.had[lane]!.has(index)) bits &= ~(1 << lane);
  return bits;
}

/** Nothing comes before the talk on safety, where the school has one. */
export const safetyFirst: HardRule = (board, acts) => {
  const [first] = acts;
  if (!first || !board.talks) return [];
  return first.kind === 'safety' && first.lanes === board.all ? [] : [inAct('safety-first', first)];
};

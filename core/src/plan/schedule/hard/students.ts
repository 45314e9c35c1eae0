import type { Board } from '../model';
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
    for (const lane of lanesOf(act.lanes & lacking(board, act.on.main, taught)))
      if (!board.task.trustsPlan || !board.had[lane]!.has(act.on.index))
        found.push(inAct('rests-on', act, lane));
    for (const { skill } of act.on.trains) taught[skill]! |= act.lanes;
  }
  return found;
};

/** Bits of those to whom something that a skill rests on is neither ready nor taught. */
function lacking({ skills, all }: Board, skill: number, taught: Uint8Array): number {
  let bits = 0;
  for (const need of skills[skill]?.needs ?? []) bits |= all & ~(skills[need]!.ready | taught[need]!);
  return bits;
}

/** Nothing comes before the talk on safety, where the school has one. */
export const safetyFirst: HardRule = (board, acts) => {
  const [first] = acts;
  if (!first || !board.talks) return [];
  return first.kind === 'safety' && first.lanes === board.all ? [] : [inAct('safety-first', first)];
};

import type { Activity, Counted } from '../model';
import { countOf } from '../activity';
import { type HardFault, type HardRule, inAct, isSame } from './rule';

/** What is used at once is there. */
export const stock: HardRule = ({ students }, acts, going) => {
  const found: HardFault[] = [];
  for (const [i, act] of acts.entries())
    if (act.on?.counted.some((thing) => isShort(thing, usersOf(thing, going[i]!), students.length)))
      found.push(inAct('stock', act));
  return found;
};

/** Bits of those who use a thing. */
function usersOf({ item }: Counted, going: readonly Activity[]): number {
  let users = 0;
  for (const { on, lanes } of going) if (on?.counted.some((other) => other.item === item)) users |= lanes;
  return users;
}

function isShort({ per, owned }: Counted, users: number, students: number): boolean {
  const used = countOf(users);
  return { group: 1, pair: Math.ceil(used / 2), student: used, day: students }[per] > owned;
}

/** What is locked is there, as it was. */
export const locked: HardRule = (board, acts) =>
  board.locked.flatMap((one) => (acts.some((act) => isSame(one, act)) ? [] : [inAct('locked', one)]));

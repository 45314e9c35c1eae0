import { thingOf } from '../../../drill';
import { countOf } from '../activity';
import { type HardRule, inAct, isSame } from './rule';

/** What is used at once is there. */
export const stock: HardRule = ({ task, students }, acts) => {
  if (Object.keys(task.stock).length === 0) return [];
  return acts.flatMap((act) => {
    const gear = act.on?.drill.gear ?? [];
    const short = gear.some(({ item, per }) => {
      const owned = task.stock[thingOf(item)];
      if (owned === undefined) return false;
      const users = acts
        .filter(
          (one) =>
            one.startMin <= act.startMin &&
            act.startMin < one.endMin &&
            one.on?.drill.gear.some((other) => other.item === item),
        )
        .reduce((bits, one) => bits | one.lanes, 0);
      const used = countOf(users);
      return { group: 1, pair: Math.ceil(used / 2), student: used, day: students.length }[per] > owned;
    });
    return short ? [inAct('stock', act)] : [];
  });
};

/** What is locked is there, as it was. */
export const locked: HardRule = (board, acts) =>
  board.locked.flatMap((one) => (acts.some((act) => isSame(one, act)) ? [] : [inAct('locked', one)]));

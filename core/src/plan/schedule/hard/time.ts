import type { Activity } from '../model';
import { lanesOf } from '../activity';
import { type HardFault, type HardRule, inAct, isSame } from './rule';

/** Nothing begins before the lesson or ends after it; once it is on, nothing new begins in what is over. */
export const outsideLesson: HardRule = (board, acts) => {
  const { plan, notBeforeMin = 0 } = board.task;
  const isDone = (act: Activity): boolean => board.locked.some((one) => isSame(one, act));
  return acts
    .filter(
      (act) =>
        act.startMin < 0 || act.endMin > plan.lengthMin || (act.startMin < notBeforeMin && !isDone(act)),
    )
    .map((act) => inAct('outside-lesson', act));
};

/** A drill takes as long as it is worth, and no longer than it is good for each who does it; what is locked as it was. */
export const minutes: HardRule = (board, acts) => {
  const found: HardFault[] = [];
  for (const act of acts) {
    if (!act.on || board.locked.some((one) => isSame(one, act))) continue;
    const taken = act.endMin - act.startMin;
    if (taken < act.on.leastMin) found.push(inAct('minutes', act));
    for (const lane of lanesOf(act.lanes)) {
      const most = act.on.mostMin[lane] ?? 0;
      if (most > 0 && taken > most) found.push(inAct('minutes', act, lane));
    }
  }
  return found;
};

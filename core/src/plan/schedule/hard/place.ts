import type { Activity } from '../model';
import { hookDistance, studentsThatFit } from '../../../safety';
import { groundOf, groundSuits } from '../../../water';
import { countOf } from '../activity';
import { type HardFault, type HardRule, inAct } from './rule';

/** A drill has the ground it asks for, and the water has the place. */
export const ground: HardRule = ({ longestM }, acts) =>
  acts
    .filter(({ on, place }) => {
      if (!on || on.place === place) return false;
      const there = place === 'anywhere' || longestM[place] !== undefined;
      return !there || !groundSuits(on.drill.ground, place);
    })
    .map((act) => inAct('ground', act));

/** Students who cast at one place at the same time stand out of each other's reach. */
export const room: HardRule = (board, acts, going) => {
  const found: HardFault[] = [];
  for (let i = 0; i < acts.length; i++) {
    const act = acts[i]!;
    if (lineOutOf(act) === 0) continue;
    let [lanes, longestM] = [0, 0];
    for (const one of going[i]!) {
      const lineOutM = lineOutOf(one);
      if (one.place !== act.place || lineOutM === 0) continue;
      lanes |= one.lanes;
      longestM = Math.max(longestM, lineOutM);
    }
    const lengthM = board.longestM[act.place];
    if (lengthM !== undefined && countOf(lanes) > studentsThatFit(lengthM, hookDistance(longestM)))
      found.push(inAct('room', act));
  }
  return found;
};

function lineOutOf({ on }: Activity): number {
  return on?.drill.lineOutM ?? 0;
}

/** Nothing is done in hours and on grounds that weather or light forbid. */
export const closed: HardRule = ({ task }, acts) => {
  if (task.closed.length === 0) return [];
  const forbids = ({ drillId, startMin, endMin, place }: Activity): boolean =>
    drillId !== null &&
    task.closed.some(
      ({ fromMin, toMin, grounds }) =>
        startMin < toMin && fromMin < endMin && grounds.includes(groundOf(place)),
    );
  return acts.filter(forbids).map((act) => inAct('closed', act));
};

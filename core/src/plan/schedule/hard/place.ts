import type { Activity } from '../model';
import { studentsThatFit } from '../../../safety';
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
    if (!act.on?.apartM) continue;
    let [lanes, apartM] = [0, 0];
    for (const one of going[i]!) {
      if (one.place !== act.place || !one.on?.apartM) continue;
      lanes |= one.lanes;
      apartM = Math.max(apartM, one.on.apartM);
    }
    const lengthM = board.longestM[act.place];
    if (lengthM !== undefined && countOf(lanes) > studentsThatFit(lengthM, apartM))
      found.push(inAct('room', act));
  }
  return found;
};

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

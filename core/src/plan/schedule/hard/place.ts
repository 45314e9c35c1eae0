import type { Activity } from '../model';
import { hookDistance, studentsThatFit } from '../../../safety';
import { groundOf, groundSuits } from '../../../water';
import { longestPlace } from '../../rules/hook-distance';
import { countOf } from '../activity';
import { type HardFault, type HardRule, inAct } from './rule';

/** A drill has the ground it asks for, and the water has the place. */
export const ground: HardRule = ({ task }, acts) =>
  acts
    .filter(({ on, place }) => {
      if (!on || on.place === place) return false;
      const there = place === 'anywhere' || longestPlace(task.lesson.water, place) !== null;
      return !there || !groundSuits(on.drill.ground, place);
    })
    .map((act) => inAct('ground', act));

/** Students who cast at one place at the same time stand out of each other's reach. */
export const room: HardRule = ({ task }, acts) => {
  const found: HardFault[] = [];
  for (const act of acts) {
    if ((act.on?.drill.lineOutM ?? 0) === 0) continue;
    const place = longestPlace(task.lesson.water, act.place);
    if (place === null) continue;
    let [lanes, longestM] = [0, 0];
    for (const one of acts) {
      if (one.startMin > act.startMin) break;
      if (one.endMin <= act.startMin || one.place !== act.place) continue;
      const lineOutM = one.on?.drill.lineOutM ?? 0;
      if (lineOutM === 0) continue;
      lanes |= one.lanes;
      longestM = Math.max(longestM, lineOutM);
    }
    if (countOf(lanes) > studentsThatFit(place.lengthM, hookDistance(longestM)))
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

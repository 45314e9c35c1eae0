import type { Activity, Board } from '../model';
import { group, minors, supervision } from './people';
import { closed, ground, room } from './place';
import type { HardFault, HardRule } from './rule';
import { needs, restsOn, safetyFirst } from './students';
import { locked, stock } from './things';
import { minutes, outsideLesson } from './time';
import { twoPlaces } from './two-places';

export * from './rule';

const RULES: readonly HardRule[] = [
  twoPlaces,
  outsideLesson,
  minutes,
  needs,
  group,
  ground,
  closed,
  safetyFirst,
  restsOn,
  room,
  supervision,
  minors,
  stock,
  locked,
];

/** Everything in a plan that must not be. @param acts in the order of time */
export function hardFaults(board: Board, acts: readonly Activity[]): HardFault[] {
  return RULES.flatMap((rule) => rule(board, acts));
}

/** Whether nothing is in a plan that must not be. @param acts in the order of time */
export function isAllowed(board: Board, acts: readonly Activity[]): boolean {
  return RULES.every((rule) => rule(board, acts).length === 0);
}

import type { Activity, Board } from '../model';
import { inTime } from '../activity';
import { apart, group, minors, supervision } from './people';
import { closed, ground, room } from './place';
import { type HardFault, type HardRule, isSame } from './rule';
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
  apart,
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
  return RULES.flatMap((rule) => broken(rule, board, acts));
}

/** What a rule finds; what was done is not judged any more, nor what is locked where that is borne. */
function broken(rule: HardRule, board: Board, acts: readonly Activity[]): HardFault[] {
  const { notBeforeMin = 0, bearsLocked = false } = board.task;
  const found = rule(board, acts);
  if (found.length === 0 || (notBeforeMin === 0 && !bearsLocked)) return found;
  const isBorne = ({ rule: id, act, atMin }: HardFault): boolean =>
    act !== null &&
    board.locked.some((one) => isSame(one, act)) &&
    (atMin < notBeforeMin || (bearsLocked && !NEVER_BORNE.has(id)));
  return found.filter((fault) => !isBorne(fault));
}

/** Nobody can be in two places, or after the end, whoever decides so. */
const NEVER_BORNE: ReadonlySet<HardFault['rule']> = new Set(['two-places', 'outside-lesson', 'locked']);

/** Those that hold by themselves where activities are put one behind the other, as the search does. */
const BY_PLACING: ReadonlySet<HardRule> = new Set([
  twoPlaces,
  outsideLesson,
  minutes,
  needs,
  group,
  ground,
  locked,
]);
const REST = RULES.filter((rule) => !BY_PLACING.has(rule));

/** The same of a plan that was put together around locked activities that break nothing themselves. */
export function staysAllowed(board: Board, acts: readonly Activity[]): boolean {
  return REST.every((rule) => broken(rule, board, acts).length === 0);
}

/** Those that ask what goes on at the same time. */
const AT_ONCE: readonly HardRule[] = [closed, room, supervision, minors, stock, apart];

/**
 * Whether something may begin while others go on. @param before all that has begun, in the order of time @param on what
 * of it goes on
 */
export function isAllowedNow(
  board: Board,
  before: readonly Activity[],
  on: readonly Activity[],
  act: Activity,
): boolean {
  const now = inTime([...on, act]);
  if (AT_ONCE.some((rule) => broken(rule, board, now).length > 0)) return false;
  return [safetyFirst, restsOn].every((rule) => broken(rule, board, inTime([...before, act])).length === 0);
}

/** Whether locked activities break nothing by where they stand. */
export function canLock(board: Board): boolean {
  return [...BY_PLACING].every((rule) => broken(rule, board, board.locked).length === 0);
}

/** Whether nothing is in a plan that must not be. @param acts in the order of time */
export function isAllowed(board: Board, acts: readonly Activity[]): boolean {
  return RULES.every((rule) => broken(rule, board, acts).length === 0);
}

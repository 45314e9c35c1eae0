import type { Activity, Board } from '../model';
import { inTime, isBefore } from '../activity';
import { apart, group, minors, supervision } from './people';
import { closed, ground, room } from './place';
import { rig } from './rig';
import { type Going, goingOn, type HardFault, type HardRule, isSame } from './rule';
import { needs, restsOn, safetyFirst } from './students';
import { locked, stock } from './things';
import { minutes, outsideLesson } from './time';
import { twoPlaces } from './two-places';

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
  rig,
  locked,
];

/** Everything in a plan that must not be. @param acts in the order of time */
export function hardFaults(board: Board, acts: readonly Activity[]): HardFault[] {
  const going = goingOn(acts);
  return RULES.flatMap((rule) => broken(rule, board, acts, going));
}

/** What a rule finds; what was done is not judged any more, nor what is locked where that is borne. */
function broken(rule: HardRule, board: Board, acts: readonly Activity[], going: Going): HardFault[] {
  const { notBeforeMin = 0, bearsLocked = false } = board.task;
  const found = rule(board, acts, going);
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
  rig,
  locked,
]);
const REST = RULES.filter((rule) => !BY_PLACING.has(rule));

/** The same of a plan that was put together around locked activities that break nothing themselves. */
export function staysAllowed(board: Board, acts: readonly Activity[]): boolean {
  return isKept(REST, board, acts);
}

function isKept(rules: readonly HardRule[], board: Board, acts: readonly Activity[]): boolean {
  const going = goingOn(acts);
  for (const rule of rules) if (broken(rule, board, acts, going).length > 0) return false;
  return true;
}

/** Those that ask what goes on at the same time. */
const AT_ONCE: readonly HardRule[] = [closed, room, supervision, minors, stock, apart];

/**
 * Whether something may begin while others go on, whose students are ready for it.
 *
 * @param first what begins the day up to now; nothing where nothing was begun
 * @param going what has begun and goes on
 */
export function isAllowedNow(
  board: Board,
  first: Activity | undefined,
  going: readonly Activity[],
  act: Activity,
): boolean {
  const begins = !first || isBefore(act, first) ? act : first;
  return isKept([safetyFirst], board, [begins]) && isKept(AT_ONCE, board, inTime([...going, act]));
}

/** Whether locked activities break nothing by where they stand. */
export function canLock(board: Board): boolean {
  return isKept([...BY_PLACING], board, board.locked);
}

/** Whether nothing is in a plan that must not be. @param acts in the order of time */
export function isAllowed(board: Board, acts: readonly Activity[]): boolean {
  return isKept(RULES, board, acts);
}

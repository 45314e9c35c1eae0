import type { Activity, Board } from '../model';

export const HARD_RULES = [
  'two-places',
  'outside-lesson',
  'minutes',
  'group',
  'apart',
  'supervision',
  'minors',
  'ground',
  'room',
  'needs',
  'rests-on',
  'safety-first',
  'closed',
  'stock',
  'locked',
] as const;
export type HardRuleId = (typeof HARD_RULES)[number];

/** Something that must not be, where it is. */
export interface HardFault {
  rule: HardRuleId;
  atMin: number;
  /** The act it lies in; null where it is of the whole plan. */
  act: Activity | null;
  /** The student's place in the group; null where it is of all who do it. */
  lane: number | null;
}

/**
 * What a rule finds. @param acts in the order of time
 */
export type HardRule = (board: Board, acts: readonly Activity[]) => HardFault[];

/** Whether something locked is what an activity is, or a part of it. */
export function isSame(locked: Activity, act: Activity): boolean {
  return (
    act.startMin === locked.startMin &&
    act.endMin === locked.endMin &&
    act.drillId === locked.drillId &&
    act.kind === locked.kind &&
    (act.drillId !== null || act.title === locked.title) &&
    act.place === locked.place &&
    (act.lanes & locked.lanes) === locked.lanes
  );
}

/**
 * A fault of an act.
 *
 * @param lane the student's place in the group, a plain number from 0; null for all who do it
 */
export function inAct(rule: HardRuleId, act: Activity, lane: number | null = null): HardFault {
  return { rule, atMin: act.startMin, act, lane };
}

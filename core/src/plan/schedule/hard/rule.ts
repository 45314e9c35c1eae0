import type { HardRuleId } from '../hard-rule-ids';
import type { Activity, Board } from '../model';

/** Something that must not be, where it is. */
export interface HardFault {
  rule: HardRuleId;
  atMin: number;
  /** The act it lies in; null where it is of the whole plan. */
  act: Activity | null;
  /** The student's place in the group; null where it is of all who do it. */
  lane: number | null;
}

/** Of each act of a plan what goes on as it begins, itself and what begins with it too: that is the most until the next. */
export type Going = readonly (readonly Activity[])[];

/**
 * What goes on as each act begins. @param acts in the order of time
 */
export function goingOn(acts: readonly Activity[]): Going {
  const going: (readonly Activity[])[] = [];
  let on: readonly Activity[] = [];
  let until = 0;
  for (let i = 0; i < acts.length; i++) {
    const { startMin } = acts[i]!;
    if (i >= until) {
      const now: Activity[] = [];
      for (const act of on) if (act.endMin > startMin) now.push(act);
      for (until = i; acts[until]?.startMin === startMin; until++) now.push(acts[until]!);
      on = now;
    }
    going.push(on);
  }
  return going;
}

/**
 * What a rule finds. @param acts in the order of time
 */
export type HardRule = (board: Board, acts: readonly Activity[], going: Going) => HardFault[];

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

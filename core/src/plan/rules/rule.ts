import type { ConditionHour } from '../../conditions';
import type { SkillState } from '../../skill';
import type { Snag } from '../../snag';
import type { Water } from '../../water';
import type { PlanEdit } from '../edits';
import type { PlanBody } from '../plan';

/** What a student brings to the check of a plan. */
export interface PlanStudent {
  id: string;
  name: string;
  /** Whole years on the day of the lesson, or null when unknown. */
  ageYears: number | null;
  guardianConsent: boolean;
  skills: SkillState;
}

/** A plan put on a day, at a water, with students in the order of the lanes. */
export interface PlanLesson {
  startMs: number;
  /** ISO date at the water. */
  date: string;
  water: Water;
  students: PlanStudent[];
  /** Hourly conditions of the day; left out or empty when they are not known. */
  hours?: readonly ConditionHour[];
  /** Who says so. */
  hoursFrom?: string;
}

/** What a one-click fix does. */
export type PlanFix =
  | { kind: 'edit'; edit: PlanEdit }
  | { kind: 'start-earlier'; byMin: number }
  | { kind: 'open'; what: 'rule-card' | 'student' | 'rigs'; id: string | null };

export interface PlanSnag extends Snag<PlanFix> {
  /** Blocks it lies in; none when it is of the whole plan. */
  blockIds: readonly string[];
  studentId: string | null;
}

export type PlanRule = (plan: PlanBody, lesson: PlanLesson | null) => PlanSnag[];

/** One for each zone: making a clock takes longer than reading it a hundred times. */
const CLOCKS = new Map<string, Intl.DateTimeFormat>();

/** Clock time at the water, e.g. `09:30`. */
export function clockTime(ms: number, timeZone: string): string {
  let clock = CLOCKS.get(timeZone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone });
    CLOCKS.set(timeZone, clock);
  }
  return clock.format(new Date(ms));
}

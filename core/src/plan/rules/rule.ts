import type { ConditionAlert, ConditionHour, ConditionReading } from '../../conditions';
import type { Curriculum, MeasuredDrill, WeighedFault } from '../../curriculum';
import type { Need } from '../../need';
import type { Problem } from '../../problem';
import type { RigFix, RigProblem } from '../../rig';
import type { SkillState } from '../../skill';
import type { GroundKind, Place, PlaceKind, Water } from '../../water';
import type { PlanEdit } from '../edits';
import type { PlanBody, PlanBTrigger, Staff } from '../plan';

/** What a student brings to the check of a plan. */
export interface PlanStudent {
  id: string;
  name: string;
  /** Whole years on the day of the lesson, or null when unknown. */
  ageYears: number | null;
  /** Whether it was said, without a birthday, that he is of age. */
  saidAdult: boolean;
  guardianConsent: boolean;
  /** All his needs, those of `needsOf`; none when left out. */
  needs?: readonly Need[];
  skills: SkillState;
  /** His faults, by what they cost; none when left out. */
  faults?: readonly WeighedFault[];
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
  /** Whether a stand-in says so: its weather stops nothing. Not of what was read there. */
  hoursSimulated?: boolean;
  /** What was read at the water about that day. */
  readings?: readonly ConditionReading[];
  /** How many there are of each thing that was counted, by `thingOf` its name. */
  stock?: Readonly<Record<string, number>>;
  /** How well drills worked up to now, of those that were measured. */
  effects?: readonly MeasuredDrill[];
}

/** What a one-click fix changes. */
export type PlanChange =
  | { kind: 'edit'; edit: PlanEdit }
  /** Minutes later, negative for earlier. */
  | { kind: 'start'; byMin: number }
  | { kind: 'plan-b'; trigger: PlanBTrigger; fromMin: number }
  | { kind: 'open'; what: 'rule-card' | 'student' | 'rigs' | 'kit'; id: string | null };

/** What a one-click fix does, as it is told; names are those of the plan and the water. */
export type PlanFix =
  | 'open-student'
  | 'open-card'
  | 'open-kit'
  | 'safety-to-start'
  | 'add-safety'
  | 'shorten'
  | 'fewer-hooks'
  | 'as-meant'
  | 'off'
  | { breakAfter: string }
  | { lengthenToMin: number }
  | { earlierMin: number }
  | { laterMin: number }
  | { swaps: readonly [string, string] }
  | { planB: PlanBTrigger }
  | { rig: string }
  | { longerPlace: string }
  | { place: string }
  | { mends: RigFix }
  | { comes: 'assistant' | 'instructor' }
  | { drill: string };

/** A student who lacks skills that a drill rests on, nearest first. */
export interface ShortStudent {
  name: string;
  gaps: { skill: string; mastery: number; attempts: number }[];
}

/** A block that asks for more than a student's needs allow. Lengths in metres, times in minutes. */
export type NeedBlock =
  | { asks: 'line'; block: string; lineOutM: number; allowedM: number }
  | { asks: 'minutes'; block: string; minutes: number; allowedMin: number }
  | { asks: 'other-drill'; block: string; drill: string }
  | { asks: 'wading'; block: string; wadeM: number };

/** What each rule says of a plan, as facts. Times are epoch milliseconds, told by the clock of `timeZone`. */
export interface PlanFacts {
  'guardian-consent': { name: string; ageYears: number | null };
  'rule-card':
    | { season: 'not-read'; water: string; checkedOn: string | null; wantedAfter: string }
    | { season: 'closed'; water: string; from: string; to: string; date: string };
  conditions: { alert: ConditionAlert; timeZone: string; source: string | null };
  'safety-first': { firstBlock: string; later: boolean };
  'over-time': { overMin: number; endMin: number; lengthMin: number };
  'dark-before-end':
    | { dark: 'start'; startMs: number; dawnMs: number; timeZone: string }
    | { dark: 'end'; endMs: number; sunsetMs: number; duskMs: number; timeZone: string };
  'hook-limit': { rig: string; block: string; hooks: number; water: string; maxHooks: number };
  'no-wading': { water: string; blocks: string[] };
  'hook-distance': {
    students: number;
    fit: number;
    block: string;
    place: PlaceKind;
    lineOutM: number;
    distanceM: number;
    lengthM: number;
    lengthFrom: Place['lengthFrom'];
  };
  'place-missing':
    | { place: 'unsuited'; block: string; kind: PlaceKind; ground: GroundKind }
    | { place: 'none'; block: string; kind: PlaceKind; water: string; places: string[] };
  prerequisites: { drill: string; students: ShortStudent[] };
  needs: { name: string; needs: readonly Need[]; blocks: NeedBlock[] };
  rig: { name: string; problem: RigProblem };
  watched: {
    what: 'supervision' | 'minors';
    /** When it begins to be so, and what is done then. */
    moments: { atMs: number; blocks: string[] }[];
    staff: Staff;
    timeZone: string;
  };
  'too-long': { blocks: { block: string; minutes: number; mostMin: number }[] };
  'kit-short': { short: { item: string; count: number; have: number }[] };
  /** Metres as far as a drawing shows them, 0 where none does. */
  walking: { names: string[]; walks: number; metres: number };
  /** Minutes that the longest goes on, and who of those who are known. */
  'no-break': { minutes: number; names: string[] };
  waits: { names: string[]; minutes: number; fromMs: number; timeZone: string };
}

/** What a rule found wrong with a plan. */
export type PlanProblem = Problem<PlanFacts, PlanFix, PlanChange> & {
  /** Blocks it lies in; none when it is of the whole plan. */
  blockIds: readonly string[];
  studentId: string | null;
};

/** @param curriculum as the plan reads it */
export type PlanRule = (plan: PlanBody, lesson: PlanLesson | null, curriculum: Curriculum) => PlanProblem[];

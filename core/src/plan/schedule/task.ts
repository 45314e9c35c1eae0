import type { Curriculum } from '../../curriculum';
import type { GroundKind } from '../../water';
import type { PlanBody, Staff } from '../plan';
import type { PlanLesson } from '../rules/rule';

export const SCORE_PARTS = [
  'gain',
  'fairness',
  'idle',
  'walking',
  'attention',
  'change',
  'breaks',
  'water-after-grass',
  'telling',
  'order',
  'margin',
  'keeping',
] as const;
export type ScorePart = (typeof SCORE_PARTS)[number];
/** What each part counts; 1 as it is usual, 0 not at all. */
export type ScoreWeights = Record<ScorePart, number>;

export const USUAL_WEIGHTS: ScoreWeights = {
  gain: 1,
  fairness: 1,
  idle: 1,
  walking: 1,
  attention: 1,
  change: 1,
  breaks: 1,
  'water-after-grass': 1,
  telling: 1,
  order: 1,
  margin: 1,
  keeping: 1,
};

/** A stretch of the lesson, minutes from its start, in which nothing is done on some grounds: thunder, dark. */
export interface Closed {
  fromMin: number;
  toMin: number;
  grounds: readonly GroundKind[];
}

/** What a plan is to be made of. */
export interface ScheduleTask {
  /** As the plan reads it. */
  curriculum: Curriculum;
  /** Its length, and the blocks it has. */
  plan: PlanBody;
  lesson: PlanLesson;
  staff: Staff;
  /** Blocks of the plan that stay as they are. */
  lockedIds: readonly string[];
  /** Drills that may be taught; null for all that the school teaches. */
  drillIds: readonly string[] | null;
  /** What a skill counts, 0 and more; 1 where nothing is said. */
  goals: Readonly<Record<string, number>>;
  closed: readonly Closed[];
  /** Students of the lesson who do not come; their places in the plan stay. */
  absentIds?: readonly string[];
  /** Nothing new begins before; what begins before was done, and is not judged any more. Minutes. */
  notBeforeMin?: number;
  /** Whether what is locked stays where it breaks a rule itself: somebody decided so, and the check tells him. */
  bearsLocked?: boolean;
  /** Whether what the plan has for a student may be done by him as long as it was planned: somebody decided so. */
  trustsPlan?: boolean;
  /** Whether what there is stays in its order, shorter or left out, and nothing new comes. */
  keepsOrder?: boolean;
  /** Whether the machine puts in breaks of its own; it does when left out. */
  addsBreaks?: boolean;
  /** Students who stay together all day, each group apart from the others but for the talk on safety; ids. */
  groups?: readonly (readonly string[])[];
  /** How many the school has of a thing; what is not named is not counted. */
  stock: Readonly<Record<string, number>>;
  weights: ScoreWeights;
}

import type { DriftSetup } from '../drift';
import type { Drill } from '../drill';
import type { Fault } from '../fault';
import type { Rig } from '../rig';
import type { Skill } from '../skill';
import type { PlaceKind, WaterKind } from '../water';

export const BLOCK_KINDS = [
  'safety',
  'talk',
  'warm-up',
  'demonstration',
  'drill',
  'fishing',
  'break',
  'debrief',
] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

/** One stretch of a lesson. Minutes count from the lesson's start. */
export interface Block {
  id: string;
  kind: BlockKind;
  title: string;
  drillId: string | null;
  startMin: number;
  durationMin: number;
  /** Place in the group, 0 the first; null means everybody together. A plan names no student. */
  lane: number | null;
  place: PlaceKind;
  /** One of the plan's rigs. */
  rigId: string | null;
  cue: string;
  /** Fault ids to look out for. */
  watchFor: string[];
  note: string;
  /** A drift of the Drift bench to be shown. */
  drift?: DriftSetup | undefined;
  /** Whether the machine leaves it where it is. */
  locked?: boolean | undefined;
  /** Soonest and latest it ends, minutes from its start, where the instructor said so. */
  soonestMin?: number | undefined;
  latestMin?: number | undefined;
}

/** A plan carries copies of its rigs, so that it travels whole. */
export interface PlanRig {
  id: string;
  name: string;
  rig: Rig;
}

export const LEVELS = ['first-day', 'beginner', 'improver'] as const;
export type Level = (typeof LEVELS)[number];

/** Copies of what a plan uses of a curriculum: it reads in ten years, and elsewhere, as it was written. */
export interface Carried {
  skills: Skill[];
  faults: Fault[];
  drills: Drill[];
}

/** Who teaches. An assistant is an adult who has students within call, and takes no group that wants eyes on it. */
export interface Staff {
  instructors: number;
  assistants: number;
}

/** Who teaches where nobody said so. */
export const ALONE: Staff = { instructors: 1, assistants: 0 };

export const PLAN_B_TRIGGERS = ['thunder', 'wind', 'rising', 'cold'] as const;
export type PlanBTrigger = (typeof PLAN_B_TRIGGERS)[number];

/** What is done instead from an hour on, when something comes. */
export interface PlanB {
  trigger: PlanBTrigger;
  /** Minutes from the start of the lesson. */
  fromMin: number;
  blocks: Block[];
}

/** A generic lesson plan: no date, no student. */
export interface PlanBody {
  aim: string;
  level: Level;
  groupSize: number;
  season: string;
  waterKind: WaterKind | 'any';
  lengthMin: number;
  blocks: Block[];
  rigs: PlanRig[];
  /** Who teaches; one alone when left out. */
  staff?: Staff | undefined;
  planB?: PlanB | undefined;
  /** What it uses of the curriculum it was made with; older plans carry nothing. */
  carries?: Carried | undefined;
}

/** Steps of the timeline, minutes. */
export const STEP_MIN = 5;
/** The shortest block, minutes. */
export const MIN_BLOCK_MIN = 5;
export const MAX_GROUP = 8;

/** All blocks of a plan, those of its plan B too. */
export function allBlocks({ blocks, planB }: Pick<PlanBody, 'blocks' | 'planB'>): Block[] {
  return [...blocks, ...(planB?.blocks ?? [])];
}

/** A plan with nothing in it yet. */
export function emptyPlan(): PlanBody {
  return {
    aim: '',
    level: 'beginner',
    groupSize: 4,
    season: '',
    waterKind: 'any',
    lengthMin: 210,
    blocks: [],
    rigs: [],
  };
}

import type { Adaptation } from '../need';
import type { Strand } from '../skill';
import type { GroundKind } from '../water';

/** Minutes of a drill for one group: the least that is worth it, the likely, the most. */
export interface Minutes {
  min: number;
  likely: number;
  max: number;
}

/** *Eyes on*: the instructor looks at nothing else. *Within call*: he hears and sees them and may be busy. */
export const SUPERVISIONS = ['eyes-on', 'within-call'] as const;
export type Supervision = (typeof SUPERVISIONS)[number];

/** Who has one of it: each student all day, each who does the drill just now, two together, the group. */
export const GEAR_FOR = ['day', 'student', 'pair', 'group'] as const;
export type GearFor = (typeof GEAR_FOR)[number];

export interface GearItem {
  item: string;
  per: GearFor;
}

/** A skill that a drill trains, with its share of the attempts, above 0 to 1. */
export interface Trained {
  skillId: string;
  share: number;
}

export interface Drill {
  id: string;
  name: string;
  strand: Strand;
  /** What it trains, the main skill first; the shares add up to 1. Rules of thumb. */
  trains: Trained[];
  minutes: Minutes;
  ground: GroundKind;
  /** How it is done without water, in a sentence; empty when it needs none or cannot be. */
  dryLand: string;
  /** How many do it together. */
  group: { min: number; max: number };
  supervision: Supervision;
  gear: GearItem[];
  /** What the instructor says, in a few words. */
  cue: string;
  /** How it goes, step by step. */
  how: string[];
  /** Done when `good` of the last `of` attempts are good. */
  success: { good: number; of: number; at: string };
  /** Fault ids to look out for. */
  watchFor: string[];
  /** Line a student casts in it, metres; 0 when no line flies. */
  lineOutM: number;
  /** Attempts a student makes in a minute. A rule of thumb. */
  attemptsPerMin: number;
  adaptations: Adaptation[];
}

/** Id of the skill a drill is done for. */
export function mainSkillOf(drill: Drill): string {
  return drill.trains[0]?.skillId ?? '';
}

/** How a drill goes where there is no water. */
export function howOnDryLand(drill: Drill): string[] {
  return drill.dryLand === '' ? drill.how : [drill.dryLand];
}

/** Whether a drill can be done where there is no water. */
export function needsNoWater(drill: Drill): boolean {
  return drill.ground === 'anywhere' || drill.ground === 'grass' || drill.dryLand !== '';
}

import type { Drill, GearFor } from '../../drill';
import type { PlaceKind } from '../../water';
import type { BlockKind } from '../plan';
import type { PlanStudent } from '../rules/rule';
import type { ScheduleTask } from './task';

/** What some students do together: the blocks of a plan that are alike but for the student. */
export interface Activity {
  drillId: string | null;
  /** Its drill on the board; null for what has none, and for one the school never had. */
  on: BoardDrill | null;
  kind: BlockKind;
  title: string;
  startMin: number;
  endMin: number;
  place: PlaceKind;
  /** Whether that is at the water. */
  wet: boolean;
  /** Whether it is fished with a rig that must not be fished at this water. */
  rigForbidden: boolean;
  /** Who does it: the bit of each student's place in the group, the first the lowest. */
  lanes: number;
  /** Blocks it stands for; none while it is only proposed. */
  blockIds: readonly string[];
}

/** A skill that is taught. */
export interface BoardSkill {
  id: string;
  /** What it rests on, by their place among the skills. */
  needs: number[];
  /** All that rests on it, and what rests on that. */
  opens: number[];
  /** What it counts, 0 and more. */
  goal: number;
  /** Bits of those who are ready to build on it. */
  ready: number;
}

/**
 * What a student brings to each skill: mastery and learning 0…1, whether it was seen of him, and how ready he is for it,
 * which is not known yet.
 */
export interface Brought {
  mastery: readonly number[];
  learn: readonly number[];
  seen: readonly boolean[];
  ready: readonly number[];
}

/** What a drill trains. */
export interface Trained {
  /** The skill's place. */
  skill: number;
  /** Attempts a minute at it. */
  perMin: number;
  /** What its rise counts. */
  counts: number;
  /**
   * Of each student and whole number of minutes the chance that he has not learned it by then, as far as it was computed:
   * the powers are most of what a search costs.
   */
  missed: Float64Array;
}

/** A thing a drill needs, and how many of it the school has. */
export interface Counted {
  item: string;
  per: GearFor;
  owned: number;
}

/** A drill as it can be done here and by these students. */
export interface BoardDrill {
  drill: Drill;
  /** Its number on the board. */
  index: number;
  /** Bits of those who may do it. */
  who: number;
  trains: Trained[];
  /**
   * What it counts for each student besides, a plain number of 0.5 and more: how well it worked up to now, and his faults
   * that it looks out for.
   */
  counts: readonly number[];
  /** Place of its main skill; −1 when the school does not teach it. */
  main: number;
  /** Where it is done at this water; null where it cannot be. */
  place: PlaceKind | null;
  /** Whether that is at the water. */
  wet: boolean;
  /** The rig of the plan that it is fished with; null where the plan has none for it, or none that may be fished. */
  rigId: string | null;
  /** Whether the plan has rigs for it of which none may be fished here. */
  rigForbidden: boolean;
  /** From one who does it to the next, so that hooks cannot meet, metres; 0 where no line flies. */
  apartM: number;
  /** What it needs of which the school has counted its own. */
  counted: readonly Counted[];
  leastMin: number;
  likelyMin: number;
  /** It is in order from and to these minutes of the lesson. */
  inOrder: { fromMin: number; toMin: number };
  /** Most minutes of each student; 0 for one who does another drill in its place, or does not wade. */
  mostMin: number[];
}

/** What each thing in a student's day costs as the instructor weighs it, points. */
export interface Costs {
  gain: number;
  idle: number;
  walk: number;
  beyondAttention: number;
  hurried: number;
  sameStrand: number;
  again: number;
  tired: number;
  backToGrass: number;
  waterShort: number;
  begun: number;
  lost: number;
  outOfOrder: number;
}

/** A task made ready to be searched. */
export interface Board {
  task: ScheduleTask;
  students: readonly PlanStudent[];
  /** The place in the plan of each of them, and for every place in the plan the bit of who has it, 0 for nobody. */
  planLanes: readonly number[];
  bitOf: (planLane: number) => number;
  /** Bits of those who stay together, where groups are apart; none where everybody is alone for himself. */
  groups: readonly number[];
  /** Bits of all students, and of those under age. */
  all: number;
  minors: number;
  /** Whether the school has a talk on safety. */
  talks: boolean;
  /** One thing holds attention for so long, and so much time is wanted at the water, minutes. */
  holdsMin: number;
  waterMin: number;
  /** The length of the longest place of each kind that the water has, metres. */
  longestM: Partial<Record<PlaceKind, number>>;
  /** What the ways between places that are drawn count, in changes of place. */
  ways: Partial<Record<PlaceKind, Partial<Record<PlaceKind, number>>>>;
  costs: Costs;
  skills: BoardSkill[];
  /** What each student brings, by his place in the group and the place of the skill. */
  brings: Brought[];
  /** Drills that may be taught, each once, in the order of their ids. */
  drills: BoardDrill[];
  drillOf: (id: string | null) => BoardDrill | null;
  /** Ids of the plan's rigs that must not be fished here. */
  forbiddenRigs: ReadonlySet<string>;
  /** For drawing a drill: up to each of them the sum of what they could give the group. */
  draw: Float64Array;
  /** Of each student the drills the plan has for him, by their number: when they begin, and how long they are. */
  had: readonly ReadonlyMap<number, { startMin: number; takenMin: number }>[];
  /** What stays as it is. */
  locked: Activity[];
  /** What that rests on and is not ready: it must be taught to those before. */
  owed: { skill: number; lanes: number; untilMin: number }[];
}

/** The parts of one student's day that depend on nobody else, as they are counted. */
export interface LaneParts {
  gain: number;
  idleMin: number;
  walks: number;
  walked: number;
  beyondMin: number;
  sameStrand: number;
  tiredMin: number;
  backToGrass: number;
  waterShortMin: number;
  hurriedMin: number;
  again: number;
  begun: number;
  lost: number;
  outOfOrder: number;
}

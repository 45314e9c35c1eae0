import type { Curriculum } from '../../curriculum';
import type { GroundKind } from '../../water';
import { curriculumOf, drillOf } from '../carried';
import { type Block, MIN_BLOCK_MIN, type PlanBody, STEP_MIN } from '../plan';
import { endOf } from '../timing';
import type { ReplanReason } from './replan-reasons';
import type { Closed, ScheduleTask } from './task';
import { type PlanDay, taskFor } from './uses';

export interface ReplanWish {
  why: ReplanReason;
  /** Now, minutes from the start of the lesson. */
  nowMin: number;
  /** The place in the plan at which the group is: what begins then is on, minutes. */
  placeMin: number;
  /** How long what is on still goes on, minutes; as it was planned when left out, or where it is over not at all. */
  stayMin?: number | undefined;
  /** Who does not come, or has left. */
  studentIds?: readonly string[] | undefined;
  /** Drills that are dropped before any other. */
  dropIds?: readonly string[] | undefined;
}

/** Grounds that are left from now on. */
const LEAVES: Readonly<Record<ReplanReason, readonly GroundKind[]>> = {
  late: [],
  thunder: ['grass', 'river', 'stillwater'],
  wind: [],
  rising: ['river'],
  absent: [],
};

/** In wind no longer line than this is cast, metres. A rule of thumb. */
const WIND_LINE_M = 6;
/** The longest line that is cast then, metres: rods conduct, so in thunder none is, not even where there is a roof. */
const MOST_LINE_M: Readonly<Partial<Record<ReplanReason, number>>> = { thunder: 0, wind: WIND_LINE_M };
/** What was planned for today counts so much more than in a plan that is only being made. */
const KEEP = 3;

/**
 * The task of a lesson from now on: what was done stays as it was, what is on ends now where it has to be left, and what
 * is to come is planned anew until the planned end. Late or with fewer students only what was planned is done, shorter or
 * not at all; for weather anything that may be done.
 */
export function replanTask(plan: PlanBody, wish: ReplanWish, day: PlanDay): ScheduleTask {
  const { why, studentIds = [], dropIds = [] } = wish;
  const own = curriculumOf(day.curriculum, plan);
  const done = plan.blocks.flatMap((block) => doneOf(own, block, wish));
  const doneIds = new Set(done.map(({ id }) => id));
  const left = plan.blocks.filter(({ id }) => !doneIds.has(id));
  const notBeforeMin = done.reduce((end, block) => Math.max(end, endOf(block)), roundUp(wish.nowMin));
  const grounds = LEAVES[why];
  const closed: Closed[] = [
    ...day.closed,
    ...(grounds.length > 0 ? [{ fromMin: notBeforeMin, toMin: plan.lengthMin, grounds }] : []),
  ];
  const weights = { ...day.weights, keeping: KEEP, attention: 0, margin: 0 };
  const task = taskFor(
    { ...plan, blocks: [...done, ...left] },
    { use: 'for-group' },
    { ...day, closed, weights },
  );
  const planned = new Set(left.flatMap(({ drillId }) => drillId ?? []));
  const isWeather = grounds.length > 0 || why === 'wind';
  const mostLineM = MOST_LINE_M[why] ?? Infinity;
  const drills = own.drills.all.filter(
    ({ id, lineOutM }) => !dropIds.includes(id) && lineOutM <= mostLineM && (isWeather || planned.has(id)),
  );
  const allowed = new Set(drills.map(({ id }) => id));
  return {
    ...task,
    plan: {
      ...task.plan,
      blocks: [...done, ...left.filter(({ drillId }) => drillId === null || allowed.has(drillId))],
    },
    lockedIds: [...task.lockedIds.filter((id) => !doneIds.has(id)), ...doneIds],
    drillIds: drills.map(({ id }) => id),
    ...{ closed, absentIds: studentIds, notBeforeMin, trustsPlan: true, addsBreaks: false },
    keepsOrder: !isWeather,
  };
}

/** What of a block is done when the rest begins: nothing of what comes behind the place of the group. */
function doneOf(
  curriculum: Curriculum,
  block: Block,
  { why, nowMin, placeMin, stayMin }: ReplanWish,
): Block[] {
  if (block.startMin > placeMin) return [];
  if (endOf(block) <= placeMin) return [block];
  const drill = drillOf(curriculum, block);
  const hasToStop =
    why === 'thunder' ||
    (why === 'rising' && drill?.ground === 'river') ||
    (why === 'wind' && (drill?.lineOutM ?? 0) > WIND_LINE_M);
  const endMin = hasToStop
    ? nowMin
    : stayMin === undefined
      ? Math.max(nowMin, endOf(block))
      : nowMin + stayMin;
  const durationMin = Math.max(MIN_BLOCK_MIN, roundUp(endMin) - block.startMin);
  return [{ ...block, durationMin }];
}

function roundUp(minutes: number): number {
  return Math.ceil(Math.max(0, minutes) / STEP_MIN) * STEP_MIN;
}

/** What a change of the day costs the students in a drill, together. */
export interface ReplanCost {
  drillId: string;
  /** Places in the group. */
  lanes: readonly number[];
  /** Whether it is left out for them; else it is shorter. */
  dropped: boolean;
  /** About how many tries each has fewer, and of how many. */
  fewerTries: number;
  ofTries: number;
}

/** What the students lose by a change of the day: drills that are left out, and tries they have fewer. */
export function replanCosts(curriculum: Curriculum, before: PlanBody, after: PlanBody): ReplanCost[] {
  const own = curriculumOf(curriculum, before);
  const minutesOf = (plan: PlanBody, lane: number): Map<string, number> => {
    const minutes = new Map<string, number>();
    for (const { drillId, durationMin, lane: at } of plan.blocks)
      if (drillId !== null && (at === null || at === lane))
        minutes.set(drillId, (minutes.get(drillId) ?? 0) + durationMin);
    return minutes;
  };
  const costs = new Map<string, ReplanCost>();
  for (let lane = 0; lane < before.groupSize; lane++) {
    const now = minutesOf(after, lane);
    for (const [drillId, was] of minutesOf(before, lane)) {
      const fewerMin = was - (now.get(drillId) ?? 0);
      const perMin = own.drills.find(drillId)?.attemptsPerMin ?? 0;
      if (fewerMin <= 0) continue;
      const cost = { drillId, dropped: !now.has(drillId), fewerTries: Math.round(fewerMin * perMin) };
      const key = JSON.stringify(cost);
      const had = costs.get(key);
      costs.set(key, {
        ...cost,
        ofTries: Math.round(was * perMin),
        lanes: [...(had?.lanes ?? []), lane],
      });
    }
  }
  return [...costs.values()].sort(
    (a, b) => Number(b.dropped) - Number(a.dropped) || b.fewerTries - a.fewerTries,
  );
}

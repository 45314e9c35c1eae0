import type { Activity, Board, BoardDrill } from '../model';
import type { MeasuredDrill } from '../../../curriculum';
import type { Block } from '../../plan';
import { actsOf, inTime, lanesOf } from '../activity';
import { boardOf } from '../board/board';
import { actOf } from '../exact';
import { hardFaults } from '../hard';
import type { HardRuleId } from '../hard-rule-ids';
import { actsOfLane, scoreOf } from '../parts';
import { gainOf, riseIn } from '../parts/gain';
import type { ScheduleTask } from '../task';

/** What could stand in the place of something. */
export interface Rival {
  drillId: string;
  /** By how many points the plan would be worse with it; better where below zero. */
  byPoints: number;
  /** The rule it would break there; null where it is allowed. */
  breaks: HardRuleId | null;
}

/** A fault that a drill looks out for in somebody. */
interface Watched {
  faultId: string;
  /** His place in the plan. */
  lane: number;
  count: number;
  exposed: number;
}

/** Why something stands in a plan where it does. */
export interface Reason {
  drillId: string;
  blockIds: readonly string[];
  startMin: number;
  /** Places in the plan of those who do it. */
  lanes: readonly number[];
  /** What it adds to what each of them gains, skills. */
  gains: number[];
  /** What the plan is worth less without it, points. */
  worth: number;
  /** Drills before it that teach what it rests on, to somebody who was not ready for it. */
  after: string[];
  /** Drills behind it that rest on what it teaches. */
  opens: string[];
  /** Faults of those who do it that it looks out for, what costs most first: how often each was made of the times it could. */
  watches: Watched[];
  /** How it worked up to now; null where too little was seen. */
  worked: MeasuredDrill | null;
  /** The best that could stand in its place, and by how many points it is worse; null where nothing could. */
  beats: { drillId: string; byPoints: number } | null;
  /** Others that could stand there, the best first, and the one that would give most if it were allowed. */
  rivals: Rival[];
}

/** So many others are told, and so many faults. */
const RIVALS = 3;
const WATCHED = 2;

/** Why each drill of a plan is there: what it gives to whom, why not before, and what it beat. */
export function reasonsFor(task: ScheduleTask, blocks: readonly Block[]): Reason[] {
  const board = boardOf(task);
  const acts = actsOf(board, blocks);
  return acts.flatMap((act) => (act.on ? reasonOf(board, acts, act, act.on) : []));
}

/** The same of one block; null for what is no drill. */
export function reasonFor(task: ScheduleTask, blocks: readonly Block[], blockId: string): Reason | null {
  const board = boardOf(task);
  const acts = actsOf(board, blocks);
  const act = acts.find(({ blockIds }) => blockIds.includes(blockId));
  return act?.on ? reasonOf(board, acts, act, act.on) : null;
}

function reasonOf(board: Board, acts: readonly Activity[], act: Activity, on: BoardDrill): Reason {
  const lanes = lanesOf(act.lanes);
  const others = acts.filter((one) => one !== act);
  const { total } = scoreOf(board, acts);
  const rivals = rivalsOf(board, acts, act, total);
  const allowed = rivals.filter(({ breaks }) => breaks === null);
  const [best] = allowed;
  const forbidden = rivals.find(
    ({ breaks, byPoints }) => breaks !== null && byPoints < (best?.byPoints ?? 0),
  );
  return {
    ...{ drillId: on.drill.id, blockIds: act.blockIds, startMin: act.startMin },
    lanes: lanes.map((lane) => board.planLanes[lane]!),
    gains: lanes.map((lane) => riseOf(board, acts, lane) - riseOf(board, others, lane)),
    worth: total - scoreOf(board, others).total,
    after: before(board, acts, act),
    opens: opened(board, acts, act),
    watches: watchedIn(board, lanes, on),
    worked: (board.task.lesson.effects ?? []).find((one) => one.rise && one.drillId === on.drill.id) ?? null,
    beats: best ? { drillId: best.drillId, byPoints: best.byPoints } : null,
    rivals: [...allowed.slice(0, RIVALS), ...(forbidden ? [forbidden] : [])],
  };
}

/** The faults of some that a drill looks out for, what costs most first. */
function watchedIn(
  { students, planLanes }: Board,
  lanes: readonly number[],
  { drill }: BoardDrill,
): Watched[] {
  return lanes
    .flatMap((lane) => (students[lane]!.faults ?? []).map((one) => ({ ...one, lane: planLanes[lane]! })))
    .filter(({ fault }) => drill.watchFor.includes(fault.id))
    .sort((a, b) => b.score - a.score)
    .slice(0, WATCHED)
    .map(({ fault, lane, count, exposed }) => ({ faultId: fault.id, lane, count, exposed }));
}

function riseOf(board: Board, acts: readonly Activity[], lane: number): number {
  return riseIn(board, lane, actsOfLane(acts, lane));
}

function gainIn(board: Board, acts: readonly Activity[], lane: number): number {
  return gainOf(board, lane, actsOfLane(acts, lane));
}

/** Drills before an activity that teach what it rests on, to somebody who was not ready for it. */
function before({ skills, all }: Board, acts: readonly Activity[], act: Activity): string[] {
  const wanted = (skills[act.on?.main ?? -1]?.needs ?? []).filter(
    (need) => (act.lanes & all & ~skills[need]!.ready) !== 0,
  );
  const found = acts.filter(
    ({ on, endMin }) => endMin <= act.startMin && on?.trains.some(({ skill }) => wanted.includes(skill)),
  );
  return [...new Set(found.flatMap(({ drillId }) => drillId ?? []))];
}

/** Drills behind an activity that rest on what it teaches somebody who does both. */
function opened({ skills }: Board, acts: readonly Activity[], act: Activity): string[] {
  const taught = act.on?.trains.map(({ skill }) => skill) ?? [];
  const found = acts.filter(
    ({ on, startMin, lanes }) =>
      startMin >= act.endMin &&
      (lanes & act.lanes) !== 0 &&
      skills[on?.main ?? -1]?.needs.some((need) => taught.includes(need)),
  );
  return [...new Set(found.flatMap(({ drillId }) => drillId ?? []))];
}

/** All others in the same time, of the same students, the best first. */
function rivalsOf(board: Board, acts: readonly Activity[], act: Activity, total: number): Rival[] {
  const others = acts.filter((one) => one !== act);
  const had = new Set(hardFaults(board, acts).map(({ rule, atMin }) => `${rule}@${atMin}`));
  const rivals: Rival[] = [];
  for (const drill of board.drills) {
    if (drill === act.on || (act.lanes & ~drill.who) !== 0) continue;
    const other = actOf(drill, act.startMin, act.endMin - act.startMin, act.lanes);
    if (!other) continue;
    const changed = inTime([...others, other]);
    // What the plan breaks anyway is not held against the other.
    const fault = hardFaults(board, changed).find(({ rule, atMin }) => !had.has(`${rule}@${atMin}`));
    rivals.push({
      drillId: drill.drill.id,
      byPoints: total - scoreOf(board, changed).total,
      breaks: fault?.rule ?? null,
    });
  }
  return rivals.sort((a, b) => a.byPoints - b.byPoints);
}

/**
 * The drill a plan would do without first when time runs out: the one that gives least, never a talk on safety, what is
 * locked, or what is no drill.
 *
 * @returns the ids of its blocks; null where nothing may be cut
 */
export function cutFirst(task: ScheduleTask, blocks: readonly Block[]): readonly string[] | null {
  const board = boardOf({ ...task, drillIds: [] });
  const acts = actsOf(board, blocks);
  let least: { worth: number; blockIds: readonly string[] } | null = null;
  for (const act of acts) {
    if (!act.on || act.kind === 'safety' || act.on.drill.strand === 'fish-care') continue;
    if (act.blockIds.some((id) => task.lockedIds.includes(id))) continue;
    const others = acts.filter((one) => one !== act);
    // Only theirs changes who do it.
    let worth = 0;
    for (const lane of lanesOf(act.lanes)) worth += gainIn(board, acts, lane) - gainIn(board, others, lane);
    if (!least || worth < least.worth) least = { worth, blockIds: act.blockIds };
  }
  return least?.blockIds ?? null;
}

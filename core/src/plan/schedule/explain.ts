import type { Activity, Board } from './model';
import type { Block } from '../plan';
import { actsOf, inTime, lanesOf } from './activity';
import { boardOf } from './board';
import { actOf } from './exact';
import { isAllowed } from './hard';
import { actsOfLane, laneParts, scoreOf } from './parts';
import type { ScheduleTask } from './task';

/** Why something stands in a plan where it does. */
export interface Reason {
  drillId: string;
  startMin: number;
  /** Places in the group of those who do it. */
  lanes: readonly number[];
  /** What it adds to what each of them gains, skills. */
  gains: number[];
  /** Drills before it that teach what it rests on, to somebody who was not ready for it. */
  after: string[];
  /** The best that could stand in its place, and by how many points it is worse; null where nothing could. */
  beats: { drillId: string; byPoints: number } | null;
}

/** Why each drill of a plan is there: what it gives to whom, why not before, and what it beat. */
export function reasonsFor(task: ScheduleTask, blocks: readonly Block[]): Reason[] {
  const board = boardOf(task);
  const acts = actsOf(board, blocks);
  const { total } = scoreOf(board, acts);
  return acts.flatMap((act): Reason[] => {
    if (!act.on) return [];
    const lanes = lanesOf(act.lanes);
    const others = acts.filter((one) => one !== act);
    return [
      {
        ...{ drillId: act.on.drill.id, startMin: act.startMin },
        lanes: lanes.map((lane) => board.planLanes[lane]!),
        gains: lanes.map((lane) => gainIn(board, acts, lane) - gainIn(board, others, lane)),
        after: after(board, acts, act),
        beats: beaten(board, others, act, total),
      },
    ];
  });
}

function gainIn(board: Board, acts: readonly Activity[], lane: number): number {
  return laneParts(board, lane, actsOfLane(acts, lane)).gain;
}

function after({ skills, all }: Board, acts: readonly Activity[], act: Activity): string[] {
  const wanted = (skills[act.on?.main ?? -1]?.needs ?? []).filter(
    (need) => (act.lanes & all & ~skills[need]!.ready) !== 0,
  );
  const before = acts.filter(
    ({ on, endMin }) => endMin <= act.startMin && on?.trains.some(({ skill }) => wanted.includes(skill)),
  );
  return [...new Set(before.flatMap(({ drillId }) => drillId ?? []))];
}

/** The best other drill in the same time, of the same students, that is allowed there. */
function beaten(board: Board, others: readonly Activity[], act: Activity, total: number): Reason['beats'] {
  let best: Reason['beats'] = null;
  for (const drill of board.drills) {
    if (drill === act.on || (act.lanes & ~drill.who) !== 0) continue;
    const other = actOf(drill, act.startMin, act.endMin - act.startMin, act.lanes);
    const acts = other && inTime([...others, other]);
    if (!acts || !isAllowed(board, acts)) continue;
    const byPoints = total - scoreOf(board, acts).total;
    if (best === null || byPoints < best.byPoints) best = { drillId: drill.drill.id, byPoints };
  }
  return best;
}

import type { Activity, Board, BoardDrill, LaneParts } from './model';
import { STEP_MIN } from '../plan';
import { inTime } from './activity';
import { isAllowed } from './hard';
import { closed, ground } from './hard/place';
import { needs, restsOn } from './hard/students';
import { minutes } from './hard/time';
import { actsOfLane, lanePoints, laneParts, mostBesides, type Score, scoreOf, totalOf } from './parts';

/** What one student could do all day. */
interface Day {
  acts: Activity[];
  parts: LaneParts;
  points: number;
}

/** More days than this of one student are not tried one by one, nor more plans than this of all. */
const MAX_DAYS = 4000;
const MAX_PLANS = 200_000;

/**
 * The best plan there is, found by trying all: every day each student could have, the best first, put together as long as
 * what is left could still be better. On the grid of the timeline, students not waiting but where they must or may.
 *
 * @returns null where there are too many to try; acts are null where nothing is allowed
 */
export function exactSchedule(
  board: Board,
): { acts: Activity[] | null; score: Score | null; tried: number } | null {
  if (board.task.notBeforeMin) return null;
  // Half of the steps filled with any drill are more days already: not worth beginning.
  const steps = board.task.plan.lengthMin / STEP_MIN;
  if ((board.drills.length + 1) ** Math.floor(steps / 2) > MAX_PLANS) return null;
  const days: Day[][] = [];
  let plans = 1;
  for (let lane = 0; lane < board.students.length; lane++) {
    const own = daysOf(board, lane);
    plans *= own?.length ?? Number.POSITIVE_INFINITY;
    if (!own || plans > MAX_PLANS) return null;
    days.push(own);
  }
  const n = days.length;
  // What is left can add no more than the best day of each student, and the margin.
  const rest = days.map(
    (_, lane) => days.slice(lane).reduce((sum, own) => sum + (own[0]?.points ?? 0), 0) / n,
  );
  let best = Number.NEGATIVE_INFINITY;
  let found: Activity[] | null = null;
  let tried = 0;
  const put = (lane: number, points: number, chosen: readonly Day[]): void => {
    if (lane === n) {
      tried += 1;
      const acts = together(chosen.map(({ acts: own }) => own));
      if (!isAllowed(board, acts)) return;
      const total = totalOf(
        board,
        acts,
        chosen.map(({ parts }) => parts),
      );
      if (found === null || total > best) [best, found] = [total, acts];
      return;
    }
    for (const day of days[lane]!) {
      const most = points + day.points / n + (rest[lane + 1] ?? 0) + mostBesides(board);
      if (most <= best) break;
      put(lane + 1, points + day.points / n, [...chosen, day]);
    }
  };
  put(0, 0, []);
  return { acts: found, score: found && scoreOf(board, found), tried };
}

/** Every day a student could have by the rules that are his alone, the best first; null where there are too many. */
function daysOf(board: Board, lane: number): Day[] | null {
  const bit = 1 << lane;
  const fixed = actsOfLane(board.locked, lane).map((act) => ({ ...act, lanes: bit }));
  const lengthMin = board.task.plan.lengthMin;
  const days: Day[] = [];
  let many = false;
  const isHis = (acts: readonly Activity[]): boolean =>
    [minutes, needs, ground, closed, restsOn].every((rule) => rule(board, acts, []).length === 0);
  const from = (atMin: number, acts: readonly Activity[]): void => {
    if (many) return;
    if (atMin >= lengthMin) {
      if (days.length >= MAX_DAYS) many = true;
      else {
        const parts = laneParts(board, lane, acts);
        days.push({ acts: [...acts], parts, points: lanePoints(board, parts) });
      }
      return;
    }
    const next = fixed.find(({ endMin }) => endMin > atMin);
    if (next && next.startMin <= atMin) return from(next.endMin, [...acts, next]);
    from(atMin + STEP_MIN, acts);
    const untilMin = Math.min(lengthMin, next?.startMin ?? lengthMin);
    for (const drill of board.drills)
      for (
        let taken = drill.leastMin;
        taken <= drill.mostMin[lane]! && atMin + taken <= untilMin;
        taken += STEP_MIN
      ) {
        const tried = [...acts, actOf(drill, atMin, taken, bit)].flatMap((act) => act ?? []);
        if (tried.length === acts.length || !isHis(tried)) continue;
        from(atMin + taken, tried);
      }
  };
  from(0, []);
  return many ? null : days.sort((a, b) => b.points - a.points);
}

/** A drill as an act; null where there is no place for it. @param lanes bits of who does it */
export function actOf(on: BoardDrill, startMin: number, takenMin: number, lanes: number): Activity | null {
  const { drill, place } = on;
  if (place === null) return null;
  return {
    on,
    drillId: drill.id,
    kind: drill.strand === 'safety' ? 'safety' : 'drill',
    title: drill.name,
    startMin,
    endMin: startMin + takenMin,
    place,
    ...{ wet: on.wet, rigForbidden: on.rigForbidden },
    lanes,
    blockIds: [],
  };
}

/** The days of several students as one plan: what they do alike at the same time they do together. */
export function together(days: readonly (readonly Activity[])[]): Activity[] {
  const acts = new Map<string, Activity>();
  for (const act of days.flat()) {
    const key = `${act.drillId ?? `${act.kind} ${act.title}`}@${act.startMin}-${act.endMin} ${act.place}`;
    const before = acts.get(key);
    acts.set(key, before ? { ...before, lanes: before.lanes | act.lanes } : act);
  }
  return inTime([...acts.values()]);
}

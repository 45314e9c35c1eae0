import type { PlaceKind } from '../../../water';
import type { Activity, Board, BoardDrill } from '../model';
import { type Pupil, pupilOf, taught, wouldGive } from './gain';
import { isOutOfOrder } from './keeping';
import { wayBetween } from './walking';
import { WORTH } from './worth';

/** Time at the water that is wanted draws by a part of what it is worth: else one would go there before all else. */
const WATER_DRAWS = 0.5;

/** How a student stands at an hour of a plan that is being made. */
export interface Standing {
  pupil: Pupil;
  /** What he did last, and how long without another between, minutes; null for what is no drill. */
  last: BoardDrill | null;
  runMin: number;
  /** Where he was last that was anywhere. */
  at: PlaceKind | null;
  /** Of each drill, by its number, 1 where he has done it. */
  done: Uint8Array;
  /** His time at the water, minutes. */
  wetMin: number;
}

/**
 * A student as he comes in the morning.
 *
 * @param lane his place in the group, a plain number from 0
 */
export function standingOf(board: Board, lane: number): Standing {
  const { curriculum, plan } = board.task;
  // Every number is of a drill of the school or of one that only the plan names.
  const done = new Uint8Array(curriculum.drills.all.length + plan.blocks.length);
  const nothing = { last: null, runMin: 0, at: null, wetMin: 0 };
  return { pupil: pupilOf(board, lane), done, ...nothing };
}

/** He does something. */
export function does(board: Board, standing: Standing, act: Activity): void {
  const { on, startMin, endMin, place } = act;
  const takenMin = endMin - startMin;
  if (place !== 'anywhere') standing.at = place;
  if (act.wet) standing.wetMin += takenMin;
  standing.runMin = on ? takenMin + (standing.last === on ? standing.runMin : 0) : 0;
  standing.last = on;
  if (!on) return;
  taught(board, standing.pupil, on, takenMin);
  standing.done[on.index] = 1;
}

/**
 * How long a drill is still good for a student: it may go on, and not for longer than in one piece.
 *
 * @returns minutes, 0 and less where it is not
 */
export function stillGoodMin({ pupil, last, runMin }: Standing, on: BoardDrill): number {
  return on.mostMin[pupil.lane]! - (last === on ? runMin : 0);
}

/**
 * A student as he stands at a minute of a plan.
 *
 * @param lane his place in the group, a plain number from 0
 * @param acts his, in the order of time
 * @param atMin when, minutes
 */
export function standingAt(board: Board, lane: number, acts: readonly Activity[], atMin: number): Standing {
  const standing = standingOf(board, lane);
  for (const act of acts) {
    if (act.startMin >= atMin) break;
    does(board, standing, act);
  }
  return standing;
}

/**
 * What it costs to tell something to some of the group, in points of one student.
 *
 * @param told to how many, a plain number from 1
 * @returns points, 0 and more
 */
export function tellingPoints({ students, task }: Board, told: number): number {
  return task.weights.telling * WORTH.telling * (students.length - told);
}

/**
 * What a drill more adds to a student's own share, about: what it gives him, and what it costs after what he did last. What
 * he waited before is lost whatever comes, and is not held against it.
 *
 * @param takenMin how long it lasts, minutes
 * @param atMin when it begins, minutes
 * @param later of each skill what one gained of it now adds to what he gains later, plain numbers; null where that is open
 * @returns points
 */
export function pointsOfStep(
  board: Board,
  standing: Standing,
  on: BoardDrill,
  takenMin: number,
  atMin: number,
  later: Float64Array | null = null,
): number {
  const { costs, holdsMin, waterMin } = board;
  const { pupil, last, at } = standing;
  const goesOn = last === on;
  let points = costs.gain * wouldGive(board, pupil, on, takenMin, later);
  if (!goesOn) points -= costs.begun;
  if (on.place !== null && on.place !== 'anywhere' && at !== null && on.place !== at) {
    points -= costs.walk * wayBetween(board, at, on.place);
    if (on.place === 'grass') points -= costs.backToGrass;
  }
  if (on.wet)
    points += WATER_DRAWS * costs.waterShort * Math.min(takenMin, Math.max(0, waterMin - standing.wetMin));
  if (isOutOfOrder(on, atMin)) points -= costs.outOfOrder;
  if (standing.done[on.index]) points -= costs.again;
  else if (board.had[pupil.lane]!.has(on.index)) points += costs.lost;
  if (last !== null && !goesOn && last.drill.strand === on.drill.strand) points -= costs.sameStrand;
  const ranMin = goesOn ? standing.runMin : 0;
  const beyondMin = Math.max(0, ranMin + takenMin - holdsMin) - Math.max(0, ranMin - holdsMin);
  return points - costs.beyondAttention * beyondMin;
}

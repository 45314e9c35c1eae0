import type { Activity, Board, Costs, LaneParts } from '../model';
import { againOf, begunOf, beyondAttention, hurriedOf, sameStrandOf, tiredOf } from './attention';
import { gainOf } from './gain';
import { lostOf, outOfOrderOf } from './keeping';
import { idleOf } from './idle';
import { backToGrassOf, walkedOf, walksOf, waterShortOf } from './walking';
import { lanesOf } from '../activity';

/**
 * What one student does, in the order of time.
 *
 * @param lane his place in the group, a plain number from 0
 */
export function actsOfLane(acts: readonly Activity[], lane: number): Activity[] {
  return acts.filter(({ lanes }) => (lanes & (1 << lane)) !== 0);
}

/**
 * The parts of one student's day.
 *
 * @param lane his place in the group
 * @param acts his, in the order of time
 */
export function laneParts(board: Board, lane: number, acts: readonly Activity[]): LaneParts {
  return { ...sharedParts(board, acts), ...ownParts(board, lane, acts) };
}

/** What depends on who he is. */
function ownParts(
  board: Board,
  lane: number,
  acts: readonly Activity[],
): Pick<LaneParts, 'gain' | 'hurriedMin' | 'lost'> {
  return {
    gain: gainOf(board, lane, acts),
    hurriedMin: hurriedOf(lane, acts),
    lost: lostOf(board, lane, acts),
  };
}

/** What is the same for all who do the same. */
function sharedParts(
  board: Board,
  acts: readonly Activity[],
): Omit<LaneParts, keyof ReturnType<typeof ownParts>> {
  return {
    idleMin: idleOf(board, acts),
    walks: walksOf(acts),
    walked: walkedOf(board, acts),
    beyondMin: beyondAttention(board, acts),
    sameStrand: sameStrandOf(acts),
    tiredMin: tiredOf(acts),
    backToGrass: backToGrassOf(acts),
    waterShortMin: waterShortOf(board, acts),
    again: againOf(acts),
    begun: begunOf(acts),
    outOfOrder: outOfOrderOf(acts),
  };
}

/** The days of a plan, each student's, with their parts. */
export interface Days {
  acts: Activity[][];
  parts: LaneParts[];
}

/**
 * Tells the days of a plan apart.
 *
 * @param acts in the order of time
 * @param before another plan's days: who does the very same acts has the same parts
 */
export function daysOf(board: Board, acts: readonly Activity[], before: Days | null = null): Days {
  const days: Activity[][] = board.students.map(() => []);
  for (const act of acts) for (const lane of lanesOf(act.lanes)) days[lane]?.push(act);
  const parts: LaneParts[] = [];
  for (const [lane, own] of days.entries()) {
    const isKept = before !== null && isSameDay(own, before.acts[lane]!);
    const like = isKept ? -1 : days.findIndex((other, i) => i < lane && isSameDay(own, other));
    if (isKept) parts.push(before.parts[lane]!);
    else if (like >= 0) parts.push({ ...parts[like]!, ...ownParts(board, lane, own) });
    else parts.push(laneParts(board, lane, own));
  }
  return { acts: days, parts };
}

/** Whether two days are of the very same acts. */
export function isSameDay(a: readonly Activity[], b: readonly Activity[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/**
 * A student's own share of the score: all parts but fairness, telling to some, and margin.
 *
 * @returns points
 */
export function lanePoints({ costs }: Board, parts: LaneParts): number {
  return (
    costs.gain * parts.gain -
    costs.idle * parts.idleMin -
    costs.walk * parts.walked -
    attentionPoints(costs, parts) -
    changePoints(costs, parts) -
    costs.tired * parts.tiredMin -
    waterPoints(costs, parts) -
    costs.begun * parts.begun -
    costs.lost * parts.lost -
    costs.outOfOrder * parts.outOfOrder
  );
}

/**
 * What it costs to be at one thing too long, or too short.
 *
 * @returns points, 0 and more
 */
export function attentionPoints(costs: Costs, { beyondMin, hurriedMin }: LaneParts): number {
  return costs.beyondAttention * beyondMin + costs.hurried * hurriedMin;
}

/**
 * What it costs to do the same or the like again.
 *
 * @returns points, 0 and more
 */
export function changePoints(costs: Costs, { sameStrand, again }: LaneParts): number {
  return costs.sameStrand * sameStrand + costs.again * again;
}

/**
 * What it costs to be at the water too little, or to leave it.
 *
 * @returns points, 0 and more
 */
export function waterPoints(costs: Costs, { backToGrass, waterShortMin }: LaneParts): number {
  return costs.backToGrass * backToGrass + costs.waterShort * waterShortMin;
}

import type { Activity, Board } from './model';
import { groundOf, type PlaceKind } from '../../water';
import type { Block } from '../plan';

/**
 * The bits of a whole group.
 *
 * @param students how many, a plain number from 1 to 8
 * @returns bits, a plain number
 */
export function everybody(students: number): number {
  return 2 ** students - 1;
}

/** The places in the group for every set of bits a group can have. */
const LANES: readonly (readonly number[])[] = Array.from({ length: 256 }, (_, bits) =>
  [0, 1, 2, 3, 4, 5, 6, 7].filter((lane) => bits & (1 << lane)),
);

/**
 * A bit for each of a list of whom something holds.
 *
 * @returns bits, a plain number
 */
export function bitsOf<T>(list: readonly T[], holds: (one: T) => boolean): number {
  return list.reduce((bits, one, i) => (holds(one) ? bits | (1 << i) : bits), 0);
}

/**
 * How many students do an act.
 *
 * @param lanes bits, a plain number below 256
 * @returns a whole number, 0 to 8
 */
export function countOf(lanes: number): number {
  return LANES[lanes]?.length ?? 0;
}

/**
 * The places in the group of those who do an act.
 *
 * @param lanes bits, a plain number below 256
 */
export function lanesOf(lanes: number): readonly number[] {
  return LANES[lanes] ?? [];
}

/** Blocks as acts, in the order of time; a block of a place beyond the students is nobody's. */
export function actsOf(
  { all, bitOf, drillOf, forbiddenRigs }: Pick<Board, 'all' | 'bitOf' | 'drillOf' | 'forbiddenRigs'>,
  blocks: readonly Block[],
): Activity[] {
  const acts = new Map<string, Activity>();
  for (const { id, kind, title, drillId, rigId, startMin, durationMin, lane, place } of blocks) {
    const lanes = lane === null ? all : bitOf(lane);
    if (lanes === 0) continue;
    const rigForbidden = rigId !== null && forbiddenRigs.has(rigId);
    const key = JSON.stringify([kind, drillId ?? title, startMin, durationMin, place]);
    const act = acts.get(key);
    acts.set(
      key,
      act
        ? {
            ...{ ...act, lanes: act.lanes | lanes, blockIds: [...act.blockIds, id] },
            rigForbidden: act.rigForbidden || rigForbidden,
          }
        : {
            ...{ drillId, kind, title, startMin, place, lanes, blockIds: [id] },
            on: drillOf(drillId),
            ...{ wet: isWet(place), rigForbidden },
            endMin: startMin + durationMin,
          },
    );
  }
  return inTime([...acts.values()]);
}

/** Whether a place is at the water. */
export function isWet(place: PlaceKind): boolean {
  const ground = groundOf(place);
  return ground === 'river' || ground === 'stillwater';
}

/** Acts in the order of time; those that start together by their lowest student. */
export function inTime(acts: readonly Activity[]): Activity[] {
  // They come nearly in order: then putting each where it belongs is the quickest.
  const sorted: Activity[] = [];
  for (const act of acts) {
    let at = sorted.length;
    while (at > 0 && isBefore(act, sorted[at - 1]!)) at -= 1;
    if (at === sorted.length) sorted.push(act);
    else sorted.splice(at, 0, act);
  }
  return sorted;
}

/** Whether an act comes before another in the order of time. */
export function isBefore(a: Activity, b: Activity): boolean {
  const lowest = (a.lanes & -a.lanes) - (b.lanes & -b.lanes);
  return (a.startMin - b.startMin || lowest || a.endMin - b.endMin) < 0;
}

import type { PlaceKind, Water } from '../../../water';
import { metresBetween } from '../../walk';
import { isWet } from '../activity';
import type { Activity, Board } from '../model';
import type { ScheduleTask } from '../task';

/**
 * How often a student goes from one place to another; what can be done anywhere is done where he is.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function walksOf(acts: readonly Activity[]): number {
  let [walks, at] = [0, null as Activity['place'] | null];
  for (const { place } of acts) {
    if (place === 'anywhere') continue;
    if (at !== null && place !== at) walks += 1;
    at = place;
  }
  return walks;
}

/** A walk of so many metres counts as one change of place. A rule of thumb; so does one whose length nobody knows. */
const USUAL_M = 100;
/** So much of it is gathering, saying where to and settling in, however near that is. A rule of thumb. */
const GATHERING = 0.5;

/**
 * The ways between the places of a water that are drawn, as changes of place: half of one for a place close by, one for a
 * hundred metres.
 */
export function waysOf(water: Water): Board['ways'] {
  const kinds = [...new Set(water.places.map(({ kind }) => kind))];
  const wayTo = (from: PlaceKind, to: PlaceKind): [PlaceKind, number][] => {
    const far = metresBetween(water, from, to);
    return far === null ? [] : [[to, GATHERING + (1 - GATHERING) * (far / USUAL_M)]];
  };
  return Object.fromEntries(
    kinds.map((from) => [from, Object.fromEntries(kinds.flatMap((to) => wayTo(from, to)))]),
  );
}

/**
 * What a way counts.
 *
 * @returns changes of place, 0.5 and more; 1 where nobody knows how far it is
 */
export function wayBetween({ ways }: Pick<Board, 'ways'>, from: PlaceKind, to: PlaceKind): number {
  return ways[from]?.[to] ?? 1;
}

/**
 * How much he walks.
 *
 * @param acts his, in the order of time
 * @returns changes of place of a hundred metres, 0 and more
 */
export function walkedOf(board: Board, acts: readonly Activity[]): number {
  let [walked, at] = [0, null as PlaceKind | null];
  for (const { place } of acts) {
    if (place === 'anywhere') continue;
    if (at !== null && place !== at) walked += wayBetween(board, at, place);
    at = place;
  }
  return walked;
}

/**
 * How often he goes back from the water to the grass.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function backToGrassOf(acts: readonly Activity[]): number {
  let [back, wasAtWater] = [0, false];
  for (const { place } of acts) {
    if (place === 'anywhere') continue;
    if (place === 'grass' && wasAtWater) back += 1;
    wasAtWater = place !== 'grass';
  }
  return back;
}

/**
 * Minutes by which a student's time at the water falls short of its share of the lesson.
 *
 * @param acts his, in the order of time
 * @returns minutes
 */
export function waterShortOf({ waterMin }: Board, acts: readonly Activity[]): number {
  let there = 0;
  for (const { wet, startMin, endMin } of acts) if (wet) there += endMin - startMin;
  return Math.max(0, waterMin - there);
}

/** Who comes to fish wants to be at the water for so much of the day. A rule of thumb. */
const WATER_SHARE = 0.35;

/**
 * What is wanted of a lesson at the water; nothing where there is none.
 *
 * @returns minutes
 */
export function waterMinOf({ lesson, plan }: ScheduleTask): number {
  return lesson.water.places.some(({ kind }) => isWet(kind)) ? WATER_SHARE * plan.lengthMin : 0;
}

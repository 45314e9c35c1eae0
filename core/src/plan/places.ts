import type { Block, PlanBody } from './plan';
import { blocksOfLane, endOf } from './timing';

/** Minutes at which something begins in a plan, each once: the places at which a group is. */
export function placesOf(plan: PlanBody): number[] {
  return [...new Set(plan.blocks.map(({ startMin }) => startMin))].sort((a, b) => a - b);
}

/**
 * The place a group is at some minutes into the lesson; the first before it begins, null in an empty plan.
 *
 * @param nowMin minutes since the lesson began, 0 or more
 * @returns minutes at which that place begins
 */
export function placeAt(plan: PlanBody, nowMin: number): number | null {
  const places = placesOf(plan);
  return places.filter((placeMin) => placeMin <= nowMin).at(-1) ?? places[0] ?? null;
}

/**
 * What a student does at a place: the block that is on then; null while he waits for the next.
 *
 * @param lane index of the group that is taught apart, from 0
 * @param place minutes at which the place begins, as `placesOf` gives them
 */
export function blockAt(plan: PlanBody, lane: number, place: number): Block | null {
  return blocksOfLane(plan, lane).find((block) => block.startMin <= place && place < endOf(block)) ?? null;
}

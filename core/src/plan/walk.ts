import { distance } from '../geometry';
import type { PlaceKind, Water } from '../water';
import { longestPlace } from './rules/hook-distance';

/**
 * How far it is between the longest places of two kinds.
 *
 * @returns metres; null where no drawing has both
 */
export function metresBetween(water: Water, from: PlaceKind, to: PlaceKind): number | null {
  const [a, b] = [from, to].map((kind) => longestPlace(water, kind)?.drawn);
  return a && b && a.beatId === b.beatId ? distance(a.at, b.at) : null;
}

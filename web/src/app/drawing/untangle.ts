export interface Spot {
  x: number;
  y: number;
}

/**
 * Joins points to places so that no two of the straight lines cross.
 *
 * Begins with each point at the place of its own index and swaps the places of lines that cross. A swap always shortens
 * the lines together, so that it comes to an end.
 *
 * @param points as many as places
 * @returns for each point the index of its place
 */
export function untangle(points: readonly Spot[], places: readonly Spot[]): number[] {
  const placeOf = points.map((_, index) => index);
  const line = (i: number): [Spot, Spot] => [points[i] as Spot, places[placeOf[i] as number] as Spot];
  for (let swapped = true; swapped;) {
    swapped = false;
    for (let i = 0; i < points.length; i++) {
      for (let j = i + 1; j < points.length; j++) {
        if (!cross(line(i), line(j))) continue;
        [placeOf[i], placeOf[j]] = [placeOf[j] as number, placeOf[i] as number];
        swapped = true;
      }
    }
  }
  return placeOf;
}

/** Whether two stretches cross inside both of them. */
export function cross([a, b]: readonly [Spot, Spot], [c, d]: readonly [Spot, Spot]): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
}

function turn(p: Spot, q: Spot, r: Spot): number {
  return Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x));
}

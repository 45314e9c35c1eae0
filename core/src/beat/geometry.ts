/** A point of a beat, metres: x downstream from its upper end, y across from the left bank's edge of the sheet. */
export interface Point {
  x: number;
  y: number;
}

/** Whether a point lies in a polygon, by counting crossings. */
export function inside(shape: readonly Point[], { x, y }: Point): boolean {
  let within = false;
  shape.forEach((a, i) => {
    const b = shape[(i + 1) % shape.length] as Point;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within;
  });
  return within;
}

export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

/** Middle of the corners. */
export function middle(shape: readonly Point[]): Point {
  const sum = shape.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { x: sum.x / shape.length, y: sum.y / shape.length };
}

/** The pair of sides that cross, by the index of their first corner; null when no two do. */
export function crossingSides(shape: readonly Point[]): [number, number] | null {
  const n = shape.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      // Neighbours share a corner; a side cannot cross them there.
      if (j === i + 1 || (i === 0 && j === n - 1)) continue;
      if (
        cross(shape[i] as Point, shape[(i + 1) % n] as Point, shape[j] as Point, shape[(j + 1) % n] as Point)
      )
        return [i, j];
    }
  return null;
}

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** Points along a line, ends included, no further apart than a step. */
export function along(from: Point, to: Point, stepM: number): Point[] {
  const count = Math.max(1, Math.ceil(distance(from, to) / stepM));
  return Array.from({ length: count + 1 }, (_, i) => ({
    x: from.x + ((to.x - from.x) * i) / count,
    y: from.y + ((to.y - from.y) * i) / count,
  }));
}

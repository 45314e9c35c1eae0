/** A point of a beat, metres: x downstream from its upper end, y across from the left bank's edge of the sheet. */
export interface Point {
  x: number;
  y: number;
}

/** A point as near to a side as this lies on it, metres. */
const ON_SIDE_M = 1e-9;

/** Whether a point lies in a polygon or on its sides, by counting crossings; the same for a mirrored one. */
export function inside(shape: readonly Point[], point: Point): boolean {
  const { x, y } = point;
  const box = boxOf(shape);
  if (x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
  let within = false;
  for (let i = 0; i < shape.length; i++) {
    const a = shape[i] as Point;
    const b = shape[(i + 1) % shape.length] as Point;
    if (isOn(point, a, b)) return true;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within;
  }
  return within;
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Shapes never change under the hand; most points asked for lie far from most shapes. */
const boxes = new WeakMap<readonly Point[], Box>();

function boxOf(shape: readonly Point[]): Box {
  const known = boxes.get(shape);
  if (known) return known;
  const box = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const { x, y } of shape) {
    box.left = Math.min(box.left, x - ON_SIDE_M);
    box.right = Math.max(box.right, x + ON_SIDE_M);
    box.top = Math.min(box.top, y - ON_SIDE_M);
    box.bottom = Math.max(box.bottom, y + ON_SIDE_M);
  }
  boxes.set(shape, box);
  return box;
}

function isOn({ x, y }: Point, a: Point, b: Point): boolean {
  if (x < Math.min(a.x, b.x) - ON_SIDE_M || x > Math.max(a.x, b.x) + ON_SIDE_M) return false;
  if (y < Math.min(a.y, b.y) - ON_SIDE_M || y > Math.max(a.y, b.y) + ON_SIDE_M) return false;
  const away = (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x);
  return Math.abs(away) <= ON_SIDE_M * Math.max(1, distance(a, b));
}

/**
 * Distance of two points.
 *
 * @returns in the unit of the points
 */
export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

/** Middle of the corners. */
export function middle(shape: readonly Point[]): Point {
  const sum = shape.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { x: sum.x / shape.length, y: sum.y / shape.length };
}

/**
 * The pair of sides that cross, by the index of their first corner, the first in the order of the corners; null when no
 * two do. Only sides whose spans in x and y overlap are compared, from left to right.
 */
export function crossingSides(shape: readonly Point[]): [number, number] | null {
  const n = shape.length;
  const sides = shape
    .map((a, i): Side => {
      const b = shape[(i + 1) % n] as Point;
      return { i, a, b, left: Math.min(a.x, b.x), right: Math.max(a.x, b.x) };
    })
    .sort((one, other) => one.left - other.left);
  let found: [number, number] | null = null;
  let open: Side[] = [];
  for (const side of sides) {
    open = open.filter(({ right }) => right >= side.left);
    for (const other of open) {
      const [i, j] = side.i < other.i ? [side.i, other.i] : [other.i, side.i];
      // Neighbours share a corner; a side cannot cross them there.
      if (j === i + 1 || (i === 0 && j === n - 1)) continue;
      if (found && (i > found[0] || (i === found[0] && j > found[1]))) continue;
      if (overlapInY(side, other) && cross(side.a, side.b, other.a, other.b)) found = [i, j];
    }
    open.push(side);
  }
  return found;
}

interface Side {
  i: number;
  a: Point;
  b: Point;
  left: number;
  right: number;
}

function overlapInY(one: Side, other: Side): boolean {
  return (
    Math.max(one.a.y, one.b.y) >= Math.min(other.a.y, other.b.y) &&
    Math.max(other.a.y, other.b.y) >= Math.min(one.a.y, one.b.y)
  );
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

/**
 * How far a point is from the nearest of a line from a to b.
 *
 * @returns in the unit of the points
 */
export function toSegment(point: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  const share = square === 0 ? 0 : ((point.x - a.x) * dx + (point.y - a.y) * dy) / square;
  const kept = Math.min(1, Math.max(0, share));
  return Math.hypot(point.x - a.x - kept * dx, point.y - a.y - kept * dy);
}

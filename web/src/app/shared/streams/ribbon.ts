/** A point of a course and the unit vector across it. */
export interface CoursePoint {
  x: number;
  y: number;
  acrossX: number;
  acrossY: number;
}

/** Where a stream runs: a point for each distance along it, pixels. */
export type Course = (along: number) => CoursePoint;

const SAMPLES = 10;

/** A course that winds a little about a straight line, left to right or top to bottom. */
export function windingCourse(
  start: { x: number; y: number },
  direction: 'right' | 'down',
  phase: number,
  swingPx: number,
): Course {
  return (along) => {
    const turn = along / 95 + phase;
    const off = swingPx * Math.sin(turn);
    const slope = (swingPx * Math.cos(turn)) / 95;
    const length = Math.hypot(1, slope);
    return direction === 'right'
      ? { x: start.x + along, y: start.y + off, acrossX: -slope / length, acrossY: 1 / length }
      : { x: start.x + off, y: start.y + along, acrossX: 1 / length, acrossY: -slope / length };
  };
}

/** A bend from one point to another that leaves and arrives along the direction; `along` runs from 0 to 1. */
export function bend(
  from: { x: number; y: number },
  to: { x: number; y: number },
  direction: 'right' | 'down',
): Course {
  const right = direction === 'right';
  const reach = (right ? to.x - from.x : to.y - from.y) / 2;
  const [c1, c2] = right
    ? [
        { x: from.x + reach, y: from.y },
        { x: to.x - reach, y: to.y },
      ]
    : [
        { x: from.x, y: from.y + reach },
        { x: to.x, y: to.y - reach },
      ];
  const value = (a: number, b: number, c: number, d: number, t: number): number =>
    a * (1 - t) ** 3 + 3 * b * t * (1 - t) ** 2 + 3 * c * t * t * (1 - t) + d * t ** 3;
  const slope = (a: number, b: number, c: number, d: number, t: number): number =>
    3 * (b - a) * (1 - t) ** 2 + 6 * (c - b) * t * (1 - t) + 3 * (d - c) * t * t;
  return (t) => {
    const dx = slope(from.x, c1.x, c2.x, to.x, t);
    const dy = slope(from.y, c1.y, c2.y, to.y, t);
    const length = Math.hypot(dx, dy) || 1;
    return {
      x: value(from.x, c1.x, c2.x, to.x, t),
      y: value(from.y, c1.y, c2.y, to.y, t),
      acrossX: -dy / length,
      acrossY: dx / length,
    };
  };
}

/** The two edges of a ribbon as open lines, one after the other. */
export function bankLines(course: Course, from: number, to: number, half: (along: number) => number): string {
  return ([-1, 1] as const).map((side) => `M${sideOf(course, from, to, half, side).join('L')}`).join('');
}

/** Points of one edge of a ribbon. */
function sideOf(
  course: Course,
  from: number,
  to: number,
  half: (along: number) => number,
  side: 1 | -1,
): string[] {
  return Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const at = from + ((to - from) * i) / SAMPLES;
    const { x, y, acrossX, acrossY } = course(at);
    const by = half(at) * side;
    return `${(x + acrossX * by).toFixed(1)} ${(y + acrossY * by).toFixed(1)}`;
  });
}

/**
 * Outline of a ribbon along a course.
 *
 * @param outer half its width at each distance
 * @param inner when given, only the two strips between this half width and the outer one
 */
export function ribbon(
  course: Course,
  from: number,
  to: number,
  outer: (along: number) => number,
  inner?: (along: number) => number,
): string {
  const edge = (half: (along: number) => number, side: 1 | -1): string[] =>
    sideOf(course, from, to, half, side);
  const closed = (one: string[], other: string[]): string => `M${[...one, ...other.reverse()].join('L')}Z`;
  if (!inner) return closed(edge(outer, -1), edge(outer, 1));
  return closed(edge(outer, -1), edge(inner, -1)) + closed(edge(outer, 1), edge(inner, 1));
}

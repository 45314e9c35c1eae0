import { area, curveMonotoneX, line } from 'd3-shape';

/** How likely a skill is mastered at a moment, each 0…1. */
export interface StreamPoint {
  atMs: number;
  mean: number;
  low: number;
  high: number;
}

/** A skill's way through a course as it is drawn. */
export interface StreamShape {
  /** Four courses of five lie within. */
  band: string;
  /** The least of them: so wide it is in nearly all. */
  core: string;
  /** What is expected: its two banks. */
  banks: string;
}

/** A stream that nobody has yet is still a trickle, pixels. */
const LEAST_PX = 1.5;

/** Half the width of a stream, pixels. */
export function halfWidth(mastery: number, mostPx: number): number {
  return LEAST_PX + mastery * (mostPx - LEAST_PX);
}

/**
 * A stream that grows with what is mastered.
 *
 * @param points in the order of time
 * @param x where a moment lies, pixels
 * @param y its middle, pixels
 * @param mostPx half its width when all is mastered
 */
export function streamShape(
  points: readonly StreamPoint[],
  x: (atMs: number) => number,
  y: number,
  mostPx: number,
): StreamShape {
  const wide = (of: (point: StreamPoint) => number): string =>
    area<StreamPoint>()
      .x(({ atMs }) => x(atMs))
      .y0((point) => y - halfWidth(of(point), mostPx))
      .y1((point) => y + halfWidth(of(point), mostPx))
      .curve(curveMonotoneX)([...points]) ?? '';
  const bank = (side: 1 | -1): string =>
    line<StreamPoint>()
      .x(({ atMs }) => x(atMs))
      .y(({ mean }) => y + side * halfWidth(mean, mostPx))
      .curve(curveMonotoneX)([...points]) ?? '';
  return { band: wide(({ high }) => high), core: wide(({ low }) => low), banks: bank(-1) + bank(1) };
}

/** Which of some marks have room for a word, so far apart, pixels; the last one always has. */
export function withRoom(xs: readonly number[], apartPx: number): boolean[] {
  const shown = xs.map(() => false);
  let right = Number.POSITIVE_INFINITY;
  for (let i = xs.length - 1; i >= 0; i--)
    if (right - xs[i]! >= apartPx) {
      shown[i] = true;
      right = xs[i]!;
    }
  return shown;
}

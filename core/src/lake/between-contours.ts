import { inside, type Point, toSegment } from '../geometry';
import type { Lake } from './lake';

/** An area as deep as its line, or deeper. */
interface Level {
  depthM: number;
  shape: Point[];
}

/**
 * Depth between the lines of a lake: straight from the line around a place to the nearest deeper one, by the distances to
 * both. Within the deepest line it is as deep as the line says.
 */
export function betweenContours(lake: Lake): (point: Point) => number {
  const levels = lake.pieces
    .flatMap(({ kind, shape, depthM }): Level[] =>
      kind === 'shore' ? [{ depthM: 0, shape }] : kind === 'contour' ? [{ depthM: depthM ?? 0, shape }] : [],
    )
    .sort((a, b) => b.depthM - a.depthM);
  return (point) => {
    const around = levels.find(({ shape }) => inside(shape, point));
    if (!around) return 0;
    const outer = toLine(point, around.shape);
    const deeper = levels
      .filter(({ depthM }) => depthM > around.depthM)
      .map(({ depthM, shape }) => ({ depthM, apart: toLine(point, shape) }))
      .sort((a, b) => a.apart - b.apart)[0];
    if (!deeper) return around.depthM;
    const whole = outer + deeper.apart;
    return around.depthM + (whole === 0 ? 0 : ((deeper.depthM - around.depthM) * outer) / whole);
  };
}

function toLine(point: Point, shape: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0; i < shape.length; i++)
    least = Math.min(least, toSegment(point, shape[i] as Point, shape[(i + 1) % shape.length] as Point));
  return least;
}

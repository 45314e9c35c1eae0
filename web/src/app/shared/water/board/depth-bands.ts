import type { DepthGrid, Point } from '@doceo/core';
import { contours } from 'd3-contour';

/** The water as deep as a depth or deeper. */
export interface DepthBand {
  depthM: number;
  path: string;
  /** The highest point of its largest ring, where its depth is written. */
  top: Point;
}

/** Depths that stand apart on any lake: the finest of these steps that makes at most so many bands. */
const STEPS_M = [0.5, 1, 2, 3, 5, 10, 20];
const MAX_BANDS = 7;

/** Depths at which to draw a line, for a lake so deep. */
export function bandDepths(deepestM: number): number[] {
  const step = STEPS_M.find((one) => deepestM / one <= MAX_BANDS) ?? 20;
  return Array.from({ length: Math.floor(deepestM / step) }, (_, i) => (i + 1) * step);
}

/** Areas of a grid by depth, shallow first; land is no depth at all. */
export function depthBands(
  { columns, rows, lengthM, widthM, depthsM }: DepthGrid,
  depths: readonly number[] = bandDepths(depthsM.reduce((most, depth) => (depth > most ? depth : most), 0)),
): DepthBand[] {
  const [dx, dy] = [lengthM / columns, widthM / rows];
  const values = Array.from(depthsM, (depth) => (Number.isNaN(depth) ? -1 : depth));
  return contours()
    .size([columns, rows])
    .smooth(true)
    .thresholds([...depths])(values)
    .flatMap(({ value, coordinates }) => {
      const rings = coordinates
        .flat()
        .map((ring) => ring.map(([x = 0, y = 0]) => ({ x: x * dx, y: y * dy })));
      const largest = [...rings].sort((a, b) => b.length - a.length)[0];
      if (!largest) return [];
      const path = rings
        .map((ring) => `M${ring.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`)
        .join('');
      return [
        { depthM: value, path, top: largest.reduce((high, point) => (point.y < high.y ? point : high)) },
      ];
    });
}

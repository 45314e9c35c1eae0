import {
  type Drawn,
  formatLength,
  formatRoundLength,
  METRES_PER_FOOT,
  type Point,
  type Sheet,
  type UnitSystem,
} from '@doceo/core';

/** The bar of the scale takes at least this share of the sheet. */
const SCALE_SHARE = 0.1;
const SCALE_LENGTHS = [5, 10, 20, 50, 100, 200];
const MAX_SCALE_LENGTH = 500;
/** With more points along than this only every tenth line is drawn, else every second. */
const MANY_POINTS = 120;

type Size = Pick<Sheet<string>, 'lengthM' | 'widthM'>;

/** The bar of the scale: a round number of metres or feet. */
export function scaleBarOf({ lengthM }: Size, units: UnitSystem): { metres: number; text: string } {
  const unitM = units === 'metric' ? 1 : METRES_PER_FOOT;
  const long = SCALE_LENGTHS.find((one) => one * unitM >= lengthM * SCALE_SHARE) ?? MAX_SCALE_LENGTH;
  return { metres: long * unitM, text: formatRoundLength(long * unitM, units) };
}

/**
 * Where the lines of the grid lie.
 *
 * @param stepM between two of its points, metres
 * @returns along and across, metres
 */
export function gridLinesOf({ lengthM, widthM }: Size, stepM: number): { xs: number[]; ys: number[] } {
  const every = stepM * (lengthM / stepM > MANY_POINTS ? 10 : 2);
  const lines = (most: number): number[] =>
    Array.from({ length: Math.floor(most / every) + 1 }, (_, i) => i * every);
  return { xs: lines(lengthM), ys: lines(widthM) };
}

/** What an area is changed by: its corners, and the middles of its sides. */
export interface Handles {
  corners: readonly { at: Point; words: string }[];
  middles: readonly Point[];
}

export function handlesOf({ shape }: Drawn<string>, units: UnitSystem): Handles {
  return {
    corners: shape.map((at, i) => ({
      at,
      words: `Corner ${i + 1} of ${shape.length}, ${formatLength(at.x, units)} along, ${formatLength(at.y, units)} across`,
    })),
    middles: shape.map((from, i) => {
      const to = shape[(i + 1) % shape.length] as Point;
      return { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
    }),
  };
}

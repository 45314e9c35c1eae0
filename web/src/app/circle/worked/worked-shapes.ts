import type { WorkedDrill } from '@doceo/contract';

/** The picture of a drill: room for numbers at both ends, how thick a sure one is and a doubtful one, pixels. */
export const WIDTH_PX = 400;
export const HEIGHT_PX = 34;
const EDGE_PX = 14;
const THICK_PX = 13;
const THIN_PX = 5;
/** Widest band of which one is still rather sure, as a share of students. */
const WIDE = 0.5;

/** Share of students at the left and the right end. */
export interface Scale {
  from: number;
  to: number;
}

/** A scale for all drills that are shown: from nothing, or below where one does harm, to the best of them. */
export function scaleOf(drills: readonly WorkedDrill[]): Scale {
  const all = drills.flatMap(({ low, high, mine, others }) => [
    ...[low, high],
    ...[mine, ...others].flatMap((one) => (one ? [one.mean] : [])),
  ]);
  const tenth = (share: number, round: (value: number) => number): number => round(share * 10) / 10;
  return {
    from: Math.min(0, tenth(Math.min(0, ...all), Math.floor)),
    to: tenth(Math.max(0.4, ...all), Math.ceil),
  };
}

export function xOf(share: number, { from, to }: Scale): number {
  return EDGE_PX + ((share - from) / (to - from)) * (WIDTH_PX - 2 * EDGE_PX);
}

/** Marks of the scale: each student more of ten. */
export function ticksOf({ from, to }: Scale): number[] {
  const first = Math.round(from * 10);
  return Array.from({ length: Math.round(to * 10) - first + 1 }, (_, i) => first + i);
}

export interface WorkedShape {
  /** A drop that is long where one is less sure, and thickest where it most likely is. */
  path: string;
  mean: number;
  rings: { x: number; mine: boolean }[];
}

export function shapeOf({ low, mean, high, mine, others }: WorkedDrill, scale: Scale): WorkedShape {
  const [left, middle, right] = [xOf(low, scale), xOf(mean, scale), xOf(high, scale)];
  const sure = 1 - Math.min(1, (high - low) / WIDE);
  const half = THIN_PX + sure * (THICK_PX - THIN_PX);
  const y = HEIGHT_PX / 2;
  const curve = (side: 1 | -1): string =>
    `C${(left + middle) / 2} ${y} ${(left + middle) / 2} ${y + side * half} ${middle} ${y + side * half}` +
    `S${(middle + right) / 2} ${y} ${right} ${y}`;
  return {
    path: `M${left} ${y}${curve(1)}M${left} ${y}${curve(-1)}`,
    mean: middle,
    rings: [
      ...others.map((one) => ({ x: xOf(one.mean, scale), mine: false })),
      ...(mine ? [{ x: xOf(mine.mean, scale), mine: true }] : []),
    ],
  };
}

/** `About 3 more of 10 (2 to 4)`, in whole students where that says enough. */
export function toldOf({ low, mean, high }: Pick<WorkedDrill, 'low' | 'mean' | 'high'>): string {
  const of10 = (share: number): string => (share * 10).toFixed(1).replace(/\.0$/, '');
  return `${of10(mean)} more of 10 (${of10(low)} to ${of10(high)})`;
}

import { type Block, type Curriculum, endOf, softMinutes } from '@doceo/core';

/** How a block is drawn: its outline, and how far it reaches over its own times. */
export interface Slanted {
  /** Outline in pixels of the track, as points of a polygon. */
  points: readonly (readonly [number, number])[];
}

/** The slant of an end is no steeper than this, pixels down for one across. */
const STEEPEST = 0.9;

/** Pixels above and below its end at which the slant of a block begins and stops, in a lane so wide. */
function slantOf(
  curriculum: Curriculum,
  block: Block,
  pxPerMin: number,
  lanePx: number,
): { up: number; down: number } {
  const { leastMin, likelyMin, mostMin } = softMinutes(curriculum, block);
  const up = (likelyMin - leastMin) * pxPerMin;
  const down = (mostMin - likelyMin) * pxPerMin;
  const scale = Math.min(1, (STEEPEST * lanePx) / Math.max(up + down, 0.01));
  // Never through its own beginning.
  const most = likelyMin * pxPerMin * 0.45;
  return { up: Math.min(up * scale, most), down: Math.min(down * scale, most) };
}

/**
 * Blocks of a plan with slanted ends, one slant a student: at the left edge of his lane the soonest end, at the right the
 * latest. What begins where another ends begins on its slant.
 */
export function slantedBlocks(
  curriculum: Curriculum,
  blocks: readonly Block[],
  { lanes, lanePx, pxPerMin }: { lanes: number; lanePx: number; pxPerMin: number },
): Map<string, Slanted> {
  const slants = new Map(
    blocks.map((block) => [block.id, slantOf(curriculum, block, pxPerMin, lanePx)] as const),
  );
  const isIn = (block: Block, lane: number): boolean => block.lane === null || block.lane === lane;
  const shapes = new Map<string, Slanted>();
  for (const block of blocks) {
    const own = Array.from({ length: lanes }, (_, lane) => lane).filter((lane) => isIn(block, lane));
    const top: [number, number][] = [];
    const bottom: [number, number][] = [];
    for (const lane of own) {
      const [left, right] = [lane * lanePx, (lane + 1) * lanePx];
      const before = blocks.find((one) => isIn(one, lane) && endOf(one) === block.startMin && one !== block);
      const over = before ? slants.get(before.id)! : { up: 0, down: 0 };
      const under = slants.get(block.id)!;
      const [from, to] = [block.startMin * pxPerMin, endOf(block) * pxPerMin];
      top.push([left, from - over.up], [right, from + over.down]);
      bottom.push([left, to - under.up], [right, to + under.down]);
    }
    shapes.set(block.id, { points: [...top, ...bottom.reverse()] });
  }
  return shapes;
}

/** An outline as the value of a clip path, relative to the corner of its own box. */
export function clipPath({ points }: Slanted, left: number, top: number): string {
  return `polygon(${points.map(([x, y]) => `${px(x - left)} ${px(y - top)}`).join(', ')})`;
}

/** The same as the points of an SVG polygon. */
export function polygonPoints({ points }: Slanted): string {
  return points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
}

function px(value: number): string {
  return `${value.toFixed(1)}px`;
}

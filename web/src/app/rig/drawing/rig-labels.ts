import { spreadLabels } from '../../drawing/spread-labels';
import { untangle } from '../../drawing/untangle';
import type { Place, RigLayout } from './rig-layout';

export interface RigLabel {
  id: string;
  /** Where on the drawing it points. */
  at: Place;
  /** Where the text stands: left of a part in the air, right of one in the water. */
  x: number;
  y: number;
  side: 'left' | 'right';
  lines: string[];
}

const LABEL_LINE_PX = 15;
/** The line from a part comes in this far below the middle of the first line of text. */
export const LINE_BELOW_PX = 2;
/** Two lines of words, and room between. */
export const LABEL_GAP_PX = 2 * LABEL_LINE_PX + 8;
const LABEL_WIDTH_PX = 168;
/** A left label: mean width of a letter, room behind its words, and where its line ends at the least, pixels. */
const LETTER_PX = 6.7;
const LABEL_CLEAR_PX = 8;
const LABEL_LEAST_PX = 150;
/** Points closer than this across count as one above the other. */
const SAME_PX = 3;
/** From the middle of a label's first line down to the foot of its second, pixels. */
const LABEL_HIGH_PX = 26;
/** Below the middle of the last label's first line, pixels. */
const FOOT_PX = 30;
/** So far below the bed the middle of a first line is clear of it, pixels. */
const BED_CLEAR_PX = 14;

interface Anchor {
  id: string;
  at: Place;
}

/** The drawing as labels see it, pixels: no bed on grass. */
interface LabelRoom {
  surfaceY: number;
  bedY: number | null;
  width: number;
  height: number;
  topPx: number;
}

interface Column {
  side: RigLabel['side'];
  x: number;
  fromY: number;
  toY: number;
  /** Where no words may lie across; null where there is no such line. */
  bedY: number | null;
  /** One above the other down to the end, wherever the parts are. */
  stacked: boolean;
}

/**
 * Labels of the parts of a rig: those in the air in a column on the left, those in the water on the right, none on
 * another and none across the bed.
 *
 * @param texts words for each part, by part id
 */
export function labelsOf(
  anchors: readonly Anchor[],
  sections: readonly { from: Place; to: Place }[],
  { surfaceY, bedY, width, height, topPx }: LabelRoom,
  kind: RigLayout['kind'],
  texts: Record<string, string[]>,
): RigLabel[] {
  const flat = kind === 'afloat' || kind === 'grass';
  const labelX = width - LABEL_WIDTH_PX;
  const isDry = ({ at }: Anchor): boolean => (flat ? at.y < surfaceY + 3 : at.y < surfaceY - 1);
  // From the left column to points on a level line: the farthest point belongs to the uppermost label.
  const dry = anchors.filter(isDry).sort((a, b) => (flat ? b.at.x - a.at.x : a.at.y - b.at.y));
  // Lines to the right column do not cross when what lies nearest to it comes first.
  const wet = anchors
    .filter((anchor) => !isDry(anchor))
    .sort((a, b) => Math.round((b.at.x - a.at.x) / SAME_PX) || a.at.y - b.at.y);
  const clearY = Math.max(surfaceY + 30, ...sections.map((section) => lowestFrom(section, labelX - 14) + 26));
  return [
    ...column(dry, texts, {
      side: 'left',
      x: 14,
      fromY: topPx + 6,
      toY: surfaceY - 44,
      bedY: null,
      stacked: flat,
    }),
    ...column(wet, texts, {
      side: 'right',
      x: labelX,
      fromY: clearY,
      toY: height - FOOT_PX,
      bedY,
      stacked: false,
    }),
  ];
}

/** How low a stretch of leader lies right of a place, pixels; −∞ when none of it does. */
function lowestFrom({ from, to }: { from: Place; to: Place }, x: number): number {
  const [left, right] = from.x < to.x ? [from, to] : [to, from];
  if (right.x < x) return Number.NEGATIVE_INFINITY;
  const share = right.x === left.x ? 0 : Math.max(0, (x - left.x) / (right.x - left.x));
  return Math.max(left.y + (right.y - left.y) * share, right.y);
}

/** Labels of some parts in one column, spread so that none lies on another. */
function column(
  anchors: readonly Anchor[],
  texts: Record<string, string[]>,
  { side, x, fromY, toY, bedY, stacked }: Column,
): RigLabel[] {
  // Never above the one before, so that the order of the column stands.
  let lowest = fromY;
  const wanted = anchors.map(({ at }, i) => {
    lowest = Math.max(lowest, at.y);
    return stacked ? toY - (anchors.length - 1 - i) * LABEL_GAP_PX : lowest;
  });
  const spread = spreadLabels(wanted, LABEL_GAP_PX, fromY, toY);
  const ys = bedY === null ? spread : offTheBed(spread, bedY, fromY, toY);
  const placeOf = untangle(
    anchors.map(({ at }) => at),
    ys.map((y, i) => ({
      x: lineEndX({ side, x, lines: texts[anchors[i]?.id ?? ''] ?? [] }),
      y: y + LINE_BELOW_PX,
    })),
  );
  return anchors.map(({ id, at }, index) => ({
    id,
    at,
    side,
    x,
    y: ys[placeOf[index] as number] as number,
    lines: texts[id] ?? [],
  }));
}

/** Labels that would lie across the bed go below it, or above where there is no room; without any they stay. */
function offTheBed(ys: readonly number[], bedY: number, fromY: number, toY: number): readonly number[] {
  const across = (y: number): boolean => y > bedY - LABEL_HIGH_PX && y < bedY + BED_CLEAR_PX;
  const below = pushed(ys, (y) => (across(y) ? bedY + BED_CLEAR_PX : y));
  if (Math.max(...below) <= toY) return below;
  const upwards = ys.map((y) => -y);
  const above = pushed(upwards, (y) => (across(-y) ? LABEL_HIGH_PX - bedY : y)).map((y) => -y);
  return Math.min(...above) >= fromY ? above : ys;
}

/** Each moved on where it must, and those after it with it, as far apart as they were. */
function pushed(ys: readonly number[], move: (y: number) => number): number[] {
  const order = ys.map((_, i) => i).sort((a, b) => (ys[a] as number) - (ys[b] as number));
  const moved = [...ys];
  order.forEach((at, n) => {
    const before = order[n - 1];
    const gap = before === undefined ? 0 : (ys[at] as number) - (ys[before] as number);
    const least = before === undefined ? (ys[at] as number) : (moved[before] as number) + gap;
    moved[at] = move(Math.max(ys[at] as number, least));
  });
  return moved;
}

/** Where the line from a part ends at its label. */
export function lineEndX({ side, x, lines }: Pick<RigLabel, 'side' | 'x' | 'lines'>): number {
  if (side === 'right') return x - 12;
  return x + Math.max(LABEL_LEAST_PX, (lines[0] ?? '').length * LETTER_PX + LABEL_CLEAR_PX);
}

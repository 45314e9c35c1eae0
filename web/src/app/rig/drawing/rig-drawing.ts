import {
  DRESSINGS,
  flyAttachment,
  type FlyStage,
  leaderLength,
  METRES_PER_FOOT,
  pointFly,
  type Rig,
  type UnitSystem,
  type Section,
  spans,
} from '@doceo/core';
import { layoutOf, type Place, type RigLayout } from './rig-layout';
import { LABEL_GAP_PX, labelsOf, type RigLabel } from './rig-labels';

export type Point = Place;

/** How metres become pixels: the scale, and where the rig's zero lies. */
export interface Frame {
  scale: number;
  surfaceY: number;
  originX: number;
}

export interface RigDrawing {
  kind: RigLayout['kind'];
  frame: Frame;
  /** Pixels in a metre. */
  scale: number;
  surfaceY: number;
  bedY: number;
  /** What the leader hangs on: the fly line's end, or the rod's tip. */
  lineEnd: { from: Point; to: Point; rod: boolean };
  /** Straight pieces of leader from the fly line down; `fromM` and `toM` are metres above the point fly. */
  sections: {
    id: string;
    from: Point;
    to: Point;
    fromM: number;
    toM: number;
    widthPx: number;
    role: Section['role'];
  }[];
  joints: (Point & { id: string; knotted: boolean })[];
  fittings: (Point & { id: string; kind: 'indicator' | 'shot'; radius: number })[];
  flies: (Point & { id: string; root: Point; bead: boolean; tag: boolean; stage: FlyStage })[];
  labels: RigLabel[];
  depthTicks: { y: number; depthM: number }[];
}

/** Pixels of a drawing, and how many of them stay free of the rig. */
export interface DrawingSize {
  width: number;
  height: number;
  margin?: { top: number; left: number; right: number; bottom: number };
  /** Most pixels for a metre, so that two drawings beside each other have one scale. */
  mostScale?: number;
  /** Whose round numbers the depths are marked in; metric when left out. */
  system?: UnitSystem;
}

const BENCH_MARGIN = { top: 46, left: 92, right: 40, bottom: 120 };
/** Share of the height left over that goes above the drawing. */
const SPARE_ABOVE: Record<RigLayout['kind'], number> = {
  hung: 0.4,
  tight: 0.5,
  afloat: 0.85,
  grass: 0.85,
  sunk: 0.3,
};
/** Share of the width left over that goes left of it, so that labels in the air have room. */
const SPARE_LEFT = 0.45;
const TICK_PX = 26;
/** The bed's own line tells the depth there: no tick so close above it. */
const TICK_CLEAR_PX = 14;
const STUB_PX = 34;
/** Room above a rig that lies flat, for its labels, pixels a label. */
const FLAT_HEADROOM_PX = LABEL_GAP_PX;

/**
 * A rig to scale, as it lies while it fishes.
 *
 * Lengths along the leader and the depth share one scale; line widths do not, they are exaggerated so that steps show.
 *
 * @param size pixels
 * @param texts words for each part, by part id; a part without words has no label
 * @param held the frame of a drawing under the hand, so that nothing moves but what is dragged; else the rig is fitted
 */
export function drawRig(
  rig: Rig,
  {
    width,
    height,
    margin = BENCH_MARGIN,
    mostScale = Number.POSITIVE_INFINITY,
    system = 'metric',
  }: DrawingSize,
  texts: Record<string, string[]>,
  held: Frame | null = null,
): RigDrawing {
  const layout = layoutOf(rig);
  const lengthM = leaderLength(rig);
  const frame = held ?? fit(rig, layout, { width, height, margin, mostScale, system }, texts);
  const { scale, surfaceY, originX } = frame;
  const place = (aboveFlyM: number): Point => {
    const { x, y } = layout.place(aboveFlyM);
    return { x: originX + x * scale, y: surfaceY + y * scale };
  };

  const chain = spans(rig);
  const bends = [...rig.fittings.flatMap(({ kind, aboveFlyM }) => (kind === 'indicator' ? [aboveFlyM] : []))];
  const sections = chain.flatMap(({ section, topM, bottomM }) => {
    const cuts = [topM, ...bends.filter((at) => at < topM && at > bottomM), bottomM];
    return cuts.slice(1).map((to, i) => ({
      id: section.id,
      role: section.role,
      from: place(cuts[i] as number),
      to: place(to),
      fromM: cuts[i] as number,
      toM: to,
      widthPx: 1.4 + section.diameterM * 7500,
    }));
  });
  const flies = rig.flies.map((fly) => {
    const root = place(flyAttachment(rig, fly));
    const tagM = fly.at.kind === 'tag' ? fly.at.lengthM : 0;
    return {
      id: fly.id,
      root,
      x: root.x - tagM * scale,
      y: root.y + tagM * scale * 0.25,
      bead: fly.bead !== 'none',
      tag: tagM > 0,
      stage: DRESSINGS[fly.dressing].stage,
    };
  });
  const fittings = rig.fittings.map((fitting) => ({
    id: fitting.id,
    kind: fitting.kind,
    radius: fitting.kind === 'indicator' ? 13 : 6,
    ...place(fitting.aboveFlyM),
  }));
  const anchors = [
    ...chain.map(({ section, topM, bottomM }) => ({ id: section.id, at: place((topM + bottomM) / 2) })),
    ...fittings.map(({ id, x, y }) => ({ id, at: { x, y } })),
    ...flies.map(({ id, x, y }) => ({ id, at: { x, y } })),
  ].filter(({ id }) => texts[id] !== undefined);
  const end = place(lengthM);
  const bedY = surfaceY + layout.bedM * scale;

  return {
    kind: layout.kind,
    frame,
    scale,
    surfaceY,
    bedY,
    lineEnd: {
      from: { x: end.x + STUB_PX * layout.beyond.x, y: end.y + STUB_PX * layout.beyond.y },
      to: end,
      rod: layout.kind === 'tight',
    },
    sections,
    joints: chain.map(({ section, topM }) => ({
      id: section.id,
      knotted: section.joint !== 'tapered',
      ...place(topM),
    })),
    fittings,
    flies,
    labels: labelsOf(
      anchors,
      sections,
      { surfaceY, bedY: layout.kind === 'grass' ? null : bedY, width, height, topPx: margin.top },
      layout.kind,
      texts,
    ),
    depthTicks: depthTicks(layout.bedM - TICK_CLEAR_PX / scale, scale, system).map((depthM) => ({
      depthM,
      y: surfaceY + depthM * scale,
    })),
  };
}

/** The frame in which the whole rig fills the drawing within its margins. */
function fit(
  rig: Rig,
  layout: RigLayout,
  { width, height, margin, mostScale }: Required<DrawingSize>,
  texts: Record<string, string[]>,
): Frame {
  const ends = [
    0,
    leaderLength(rig),
    ...spans(rig).map(({ topM }) => topM),
    ...rig.fittings.map(({ aboveFlyM }) => aboveFlyM),
  ].map(layout.place);
  const leftM = Math.min(...ends.map(({ x }) => x));
  const wideM = Math.max(0.2, Math.max(...ends.map(({ x }) => x)) - leftM);
  const upM = Math.max(0, ...ends.map(({ y }) => -y));
  const highM = Math.max(0.3, upM + layout.bedM);
  const flatPx = layout.kind === 'afloat' || layout.kind === 'grass' ? headroom(rig, texts) : 0;
  const scale = Math.min(
    mostScale,
    (width - margin.left - margin.right) / wideM,
    (height - margin.top - margin.bottom - flatPx) / highM,
  );
  const spare = height - margin.top - margin.bottom - flatPx - highM * scale;
  const startX = margin.left + (width - margin.left - margin.right - wideM * scale) * SPARE_LEFT;
  const surfaceY = margin.top + flatPx + spare * SPARE_ABOVE[layout.kind] + upM * scale;
  return { scale, surfaceY, originX: startX - leftM * scale };
}

/** Pixels that the labels of a rig lying flat need above it. */
function headroom(rig: Rig, texts: Record<string, string[]>): number {
  const labelled = [...rig.sections, ...rig.flies, ...rig.fittings].filter(({ id }) => texts[id]).length;
  return labelled * FLAT_HEADROOM_PX;
}

/** Whether there is a point fly to draw to. */
export function drawable(rig: Rig): boolean {
  return rig.sections.length > 0 && pointFly(rig) !== undefined;
}

/** Round depths, far enough apart to be read. */
function depthTicks(depthM: number, scale: number, system: UnitSystem): number[] {
  const unitM = system === 'metric' ? 1 : METRES_PER_FOOT;
  const step = [0.1, 0.2, 0.5, 1, 2, 5].find((candidate) => candidate * unitM * scale >= TICK_PX) ?? 10;
  return Array.from(
    { length: Math.floor(depthM / (step * unitM) + 1e-9) },
    (_, i) => (Math.round((i + 1) * step * 10) / 10) * unitM,
  );
}

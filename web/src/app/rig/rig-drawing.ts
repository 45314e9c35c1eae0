import { flyAttachment, indicatorOf, leaderLength, pointFly, type Rig, spans } from '@doceo/core';
import { spreadLabels } from '../drawing/spread-labels';

export interface Point {
  x: number;
  y: number;
}

export interface RigLabel {
  id: string;
  /** Where on the drawing it points. */
  at: Point;
  /** Where the text stands: left of a part in the air, right of one in the water. */
  x: number;
  y: number;
  side: 'left' | 'right';
  lines: string[];
}

export interface RigDrawing {
  /** Pixels in a metre. */
  scale: number;
  surfaceY: number;
  bedY: number;
  /** The fly line's end above the leader. */
  lineEnd: { from: Point; to: Point };
  sections: { id: string; from: Point; to: Point; widthPx: number }[];
  joints: (Point & { id: string })[];
  fittings: (Point & { id: string; kind: 'indicator' | 'shot'; radius: number })[];
  flies: (Point & { id: string; root: Point; bead: boolean; tag: boolean })[];
  labels: RigLabel[];
  /** Pixels along the drawn leader for a metre of it, below the indicator. */
  depthTicks: { y: number; depthM: number }[];
}

/** Pixels of a drawing, and how many of them stay free of the rig. */
export interface DrawingSize {
  width: number;
  height: number;
  margin?: { top: number; left: number; right: number; bottom: number };
}

/** The leader above the surface rises at this angle towards the rod. */
const RISE = (62 * Math.PI) / 180;
/** The point fly rides this far above the bed when the leader is longer than the water is deep, metres. */
const ABOVE_BED_M = 0.06;
const BENCH_MARGIN = { top: 46, left: 92, right: 40, bottom: 120 };
/** Share of the height left over that goes above the drawing. */
const SPARE_ABOVE = 0.4;
const LABEL_LINE_PX = 15;
const LABEL_WIDTH_PX = 168;

/**
 * A rig to scale, with the indicator at the surface of the water and the flies below.
 *
 * Lengths along the leader and the depth share one scale; line widths do not, they are exaggerated so that steps show.
 * A leader longer than the depth trails, so that the point fly stays off the bed.
 *
 * @param texts words for each part, by part id
 */
export function drawRig(
  rig: Rig,
  { width, height, margin = BENCH_MARGIN }: DrawingSize,
  texts: Record<string, string[]>,
): RigDrawing {
  const leaderM = leaderLength(rig);
  const belowM = indicatorOf(rig)?.aboveFlyM ?? leaderM;
  const aboveM = leaderM - belowM;
  const flyDepthM = Math.min(belowM, Math.max(0.1, rig.waterDepthM - ABOVE_BED_M));
  const trailM = Math.sqrt(Math.max(0, belowM ** 2 - flyDepthM ** 2));
  const wideM = Math.max(trailM + aboveM * Math.cos(RISE), 0.2);
  const highM = aboveM * Math.sin(RISE) + rig.waterDepthM;
  const scale = Math.min(
    (width - margin.left - margin.right) / wideM,
    (height - margin.top - margin.bottom) / highM,
  );

  const spare = height - margin.top - margin.bottom - highM * scale;
  const surfaceY = margin.top + spare * SPARE_ABOVE + aboveM * Math.sin(RISE) * scale;
  const float: Point = { x: margin.left + trailM * scale, y: surfaceY };
  const underwater = (aboveFlyM: number): Point => ({
    x: float.x - ((belowM - aboveFlyM) / belowM) * trailM * scale,
    y: surfaceY + ((belowM - aboveFlyM) / belowM) * flyDepthM * scale,
  });
  const above = (aboveFlyM: number): Point => ({
    x: float.x + (aboveFlyM - belowM) * Math.cos(RISE) * scale,
    y: surfaceY - (aboveFlyM - belowM) * Math.sin(RISE) * scale,
  });
  const place = (aboveFlyM: number): Point => (aboveFlyM > belowM ? above(aboveFlyM) : underwater(aboveFlyM));

  const chain = spans(rig);
  const sections = chain.flatMap(({ section, topM, bottomM }) => {
    const widthPx = 1.4 + section.diameterM * 7500;
    if (topM > belowM && bottomM < belowM) {
      return [
        { id: section.id, from: place(topM), to: place(belowM), widthPx },
        { id: section.id, from: place(belowM), to: place(bottomM), widthPx },
      ];
    }
    return [{ id: section.id, from: place(topM), to: place(bottomM), widthPx }];
  });
  const end = place(leaderM);
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
  ].sort((a, b) => a.at.y - b.at.y);
  const dry = anchors.filter(({ at }) => at.y < surfaceY - 1);
  const wet = anchors.filter(({ at }) => at.y >= surfaceY - 1);
  const labels = [
    ...column(dry, 'left', 14, margin.top + 6, surfaceY - 44, texts),
    ...column(wet, 'right', width - LABEL_WIDTH_PX, surfaceY + 30, height - 56, texts),
  ];

  return {
    scale,
    surfaceY,
    bedY: surfaceY + rig.waterDepthM * scale,
    lineEnd: { from: { x: end.x + 34 * Math.cos(RISE), y: end.y - 34 * Math.sin(RISE) }, to: end },
    sections,
    joints: chain.map(({ section, topM }) => ({ id: section.id, ...place(topM) })),
    fittings,
    flies,
    labels,
    depthTicks: depthTicks(rig.waterDepthM).map((depthM) => ({ depthM, y: surfaceY + depthM * scale })),
  };
}

/** Labels of some parts in one column, spread so that none lies on another. */
function column(
  anchors: readonly { id: string; at: Point }[],
  side: RigLabel['side'],
  x: number,
  fromY: number,
  toY: number,
  texts: Record<string, string[]>,
): RigLabel[] {
  const ys = spreadLabels(
    anchors.map(({ at }) => at.y),
    2 * LABEL_LINE_PX + 8,
    fromY,
    toY,
  );
  return anchors.map(({ id, at }, index) => ({
    id,
    at,
    side,
    x,
    y: ys[index] as number,
    lines: texts[id] ?? [],
  }));
}

/** Whether there is a point fly to draw to. */
export function drawable(rig: Rig): boolean {
  return rig.sections.length > 0 && pointFly(rig) !== undefined;
}

/** Round depths, four to eight of them. */
function depthTicks(depthM: number): number[] {
  const step = [0.1, 0.2, 0.5, 1, 2].find((candidate) => depthM / candidate <= 8) ?? 2;
  return Array.from(
    { length: Math.floor(depthM / step + 1e-9) },
    (_, i) => Math.round((i + 1) * step * 10) / 10,
  );
}

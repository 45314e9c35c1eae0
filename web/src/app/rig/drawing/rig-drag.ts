import {
  flyAttachment,
  leaderLength,
  METRES_PER_INCH,
  type Rig,
  rigEdits,
  spans,
  type UnitSystem,
} from '@doceo/core';
import type { Point, RigDrawing } from './rig-drawing';

/** A part of the drawing that can be taken hold of. */
export interface Handle {
  /** Of the part itself: a fitting, a fly, or `knot/` and the section below it. */
  id: string;
  kind: 'fitting' | 'knot' | 'tip' | 'tag' | 'inline';
  /** The part's row in the table. */
  partId: string;
  name: string;
  /** Distance above the point fly, or the length of a tag or of the last section, metres. */
  valueM: number;
  x: number;
  y: number;
}

/** What can be dragged of a rig, larger things last so that they lie on top. */
export function handlesOf(rig: Rig, drawing: RigDrawing): Handle[] {
  const inline = new Set(rig.flies.flatMap(({ at }) => (at.kind === 'inline' ? [at.sectionId] : [])));
  const knots = spans(rig).flatMap(({ section, topM }, index): Handle[] => {
    const joint = drawing.joints.find(({ id }) => id === section.id);
    if (!joint || inline.has(section.id)) return [];
    const name = index === 0 ? 'end of the fly line' : `knot above ${section.name}`;
    return [
      {
        id: `knot/${section.id}`,
        kind: 'knot',
        partId: section.id,
        name,
        valueM: topM,
        x: joint.x,
        y: joint.y,
      },
    ];
  });
  const flies = rig.flies.flatMap((fly): Handle[] => {
    const drawn = drawing.flies.find(({ id }) => id === fly.id);
    if (!drawn) return [];
    const at = { id: fly.id, partId: fly.id, name: fly.name, x: drawn.x, y: drawn.y };
    switch (fly.at.kind) {
      case 'point':
        return [{ ...at, kind: 'tip', valueM: rig.sections.at(-1)?.lengthM ?? 0 }];
      case 'tag':
        return [{ ...at, kind: 'tag', valueM: fly.at.lengthM }];
      case 'inline':
        return [{ ...at, kind: 'inline', valueM: flyAttachment(rig, fly) }];
    }
  });
  const fittings = rig.fittings.flatMap((fitting): Handle[] => {
    const drawn = drawing.fittings.find(({ id }) => id === fitting.id);
    return drawn
      ? [
          {
            id: fitting.id,
            kind: 'fitting',
            partId: fitting.id,
            name: fitting.kind,
            valueM: fitting.aboveFlyM,
            x: drawn.x,
            y: drawn.y,
          },
        ]
      : [];
  });
  return [...knots, ...flies, ...fittings];
}

/** The value of a handle after it was pulled to a place of the drawing it was taken in, metres, not yet snapped. */
export function pulledTo(handle: Handle, drawing: RigDrawing, to: Point): number {
  if (handle.kind === 'tag') {
    const root = drawing.flies.find(({ id }) => id === handle.id)?.root ?? to;
    return Math.hypot(to.x - root.x, to.y - root.y) / drawing.frame.scale;
  }
  const alongM = alongLeader(drawing, to);
  return handle.kind === 'tip' ? handle.valueM - alongM : alongM;
}

/** The rig with the value of a handle set. */
export function withValue(rig: Rig, { id, kind, partId }: Handle, valueM: number): Rig {
  switch (kind) {
    case 'fitting':
      return rigEdits.slide(rig, id, valueM);
    case 'knot':
      return rigEdits.moveJoint(rig, partId, valueM);
    case 'tip':
      return rigEdits.moveTip(rig, valueM);
    case 'tag':
      return rigEdits.tagLength(rig, id, valueM);
    case 'inline': {
      const fly = rig.flies.find((one) => one.id === id);
      return fly?.at.kind === 'inline' ? rigEdits.moveJoint(rig, fly.at.sectionId, valueM) : rig;
    }
  }
}

/** One step of the snapping: a centimetre or half an inch, metres. */
export function snapStep(system: UnitSystem): number {
  return system === 'metric' ? 0.01 : METRES_PER_INCH / 2;
}

export function snapped(metres: number, system: UnitSystem): number {
  return Math.round(metres / snapStep(system)) * snapStep(system);
}

/** Largest value a handle can have, for those who hear the drawing instead of seeing it. */
export function mostOf(rig: Rig, { kind }: Handle): number {
  return kind === 'tag' ? 1 : Math.max(12, leaderLength(rig));
}

/**
 * Where on the leader the place nearest to a point lies, metres above the point fly; negative beyond the fly and longer
 * than the leader beyond the fly line, so that both ends can be pulled out.
 */
export function alongLeader({ sections, frame }: RigDrawing, point: Point): number {
  let best = { distance: Number.POSITIVE_INFINITY, alongM: 0 };
  sections.forEach(({ from, to, fromM, toM }, index) => {
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const square = dx * dx + dy * dy || 1;
    const free = ((point.x - from.x) * dx + (point.y - from.y) * dy) / square;
    const share = Math.min(
      index === sections.length - 1 ? Number.POSITIVE_INFINITY : 1,
      Math.max(index === 0 ? Number.NEGATIVE_INFINITY : 0, free),
    );
    const distance = Math.hypot(from.x + dx * share - point.x, from.y + dy * share - point.y);
    const metres = Math.sqrt(square) / frame.scale;
    const alongM = share > 1 ? toM - (share - 1) * metres : fromM + share * (toM - fromM);
    if (distance < best.distance) best = { distance, alongM };
  });
  return best.alongM;
}

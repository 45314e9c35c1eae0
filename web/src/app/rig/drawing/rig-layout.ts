import {
  DRESSINGS,
  flyAttachment,
  indicatorOf,
  leaderLength,
  pointFly,
  type Rig,
  TEMPLATES,
} from '@doceo/core';

/** A place in metres: x towards the rod, y down from the surface. */
export interface Place {
  x: number;
  y: number;
}

/** How a rig lies while it fishes. */
export interface RigLayout {
  kind: 'hung' | 'afloat' | 'sunk' | 'tight' | 'grass';
  /** Where a point of the leader is, by its distance above the point fly along the leader. */
  place: (aboveFlyM: number) => Place;
  /** Direction of the line beyond the leader, a unit vector. */
  beyond: Place;
  /** Depth of the bed, metres; 0 on grass. */
  bedM: number;
}

/** Angles to the horizontal at which leader and line rise to the rod. */
const HUNG_RISE = (62 * Math.PI) / 180;
const TIGHT_RISE = (66 * Math.PI) / 180;
/** A fly near the bottom rides this far above it, metres. */
const ABOVE_BED_M = 0.06;
/** Where the point fly swims, of the depth, by the line that carries it; an unweighted one half as deep on a floating line. */
const SWIMS_AT = { floating: 0.45, hover: 0.55, sinking: 0.8 };
const UNWEIGHTED = 0.5;
/** Where the end of a line that sinks lies, of the depth. */
const LINE_LIES_AT = 0.6;

/**
 * How a rig lies in the water, by what holds it: an indicator, the surface, a sunk line, the rod, or grass. All lengths
 * stay as they are; only the bends are a drawing's choice, for still water or an even current.
 */
export function layoutOf(rig: Rig): RigLayout {
  const { lies } = TEMPLATES[rig.template];
  if (lies === 'grass') return flat(rig, 'grass', 0);
  if (indicatorOf(rig)) return hung(rig);
  if (lies === 'tight' || rig.line.kind === 'level') return tight(rig);
  const dry = rig.flies.find(({ dressing }) => DRESSINGS[dressing].stage === 'adult');
  return dry ? flat(rig, 'afloat', flyAttachment(rig, dry)) : sunk(rig);
}

function hung(rig: Rig): RigLayout {
  const belowM = indicatorOf(rig)?.aboveFlyM ?? leaderLength(rig);
  const depthM = Math.min(belowM, Math.max(0.1, rig.waterDepthM - ABOVE_BED_M));
  const trailM = Math.sqrt(Math.max(0, belowM ** 2 - depthM ** 2));
  const beyond = rising(HUNG_RISE);
  return {
    kind: 'hung',
    beyond,
    bedM: rig.waterDepthM,
    place: (aboveFlyM) => {
      const over = aboveFlyM - belowM;
      if (over > 0) return { x: over * beyond.x, y: over * beyond.y };
      return { x: (over / belowM) * trailM, y: (-over / belowM) * depthM };
    },
  };
}

function tight(rig: Rig): RigLayout {
  const beyond = rising(TIGHT_RISE);
  const depthM = Math.max(0.1, rig.waterDepthM - ABOVE_BED_M);
  return {
    kind: 'tight',
    beyond,
    bedM: rig.waterDepthM,
    place: (aboveFlyM) => ({ x: aboveFlyM * beyond.x, y: depthM + aboveFlyM * beyond.y }),
  };
}

/** Along the surface, or along the grass; what hangs below the float hangs plumb. */
function flat(rig: Rig, kind: 'afloat' | 'grass', floatM: number): RigLayout {
  return {
    kind,
    beyond: { x: 1, y: 0 },
    bedM: kind === 'grass' ? 0 : Math.max(rig.waterDepthM, floatM + ABOVE_BED_M),
    place: (aboveFlyM) =>
      aboveFlyM >= floatM ? { x: aboveFlyM - floatM, y: 0 } : { x: 0, y: floatM - aboveFlyM },
  };
}

function sunk(rig: Rig): RigLayout {
  const lengthM = leaderLength(rig);
  const depthM = rig.waterDepthM;
  const carried = rig.line.kind === 'floating' || rig.line.kind === 'hover' ? rig.line.kind : 'sinking';
  const startM = carried === 'floating' ? 0 : depthM * LINE_LIES_AT;
  const light = carried === 'floating' && pointFly(rig)?.bead === 'none' ? UNWEIGHTED : 1;
  const endM = Math.min(depthM * SWIMS_AT[carried] * light, startM + lengthM * 0.9);
  const fallM = endM - startM;
  const runM = Math.sqrt(Math.max(0, lengthM ** 2 - fallM ** 2));
  return {
    kind: 'sunk',
    beyond: { x: 1, y: 0 },
    bedM: depthM,
    place: (aboveFlyM) => ({
      x: (aboveFlyM / lengthM) * runM,
      y: endM - (aboveFlyM / lengthM) * fallM,
    }),
  };
}

function rising(angle: number): Place {
  return { x: Math.cos(angle), y: -Math.sin(angle) };
}

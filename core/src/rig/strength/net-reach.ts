import { spans } from '../leader/leader-geometry';
import type { Fitting, Rig, Section } from '../rig';
import type { RigPart } from '../rig-part';

/** Arm and net add about this much to the rod when a fish is brought in. Rule of thumb, metres. */
export const ARM_M = 0.6;
export const NET_M = 0.45;
/** Inner width of the tip guide where nobody said otherwise: typical of trout rods, metres. */
export const TIP_GUIDE_M = 0.0045;
/** A knot is about so many times as thick as the thicker line in it. Estimate, 3 to 5. */
const KNOT_BULK = 4;
/** A ring or a small swivel and its two knots, metres. Estimate. */
const RING_M = 0.0028;

export interface NetReach {
  /** Shortest line to the fish that the rig allows, metres: what cannot pass the tip guide stops it there. */
  shortestM: number;
  /** Longest line with which one person can still net: rod + arm + net, metres. */
  reachM: number;
  /** What stops at the tip guide, or null when the whole leader can be wound in. */
  stoppedBy: RigPart | null;
}

/**
 * Whether a fish on the point fly can be brought within reach of the net.
 *
 * An indicator that does not let go, a shot, and a knot or ring thicker than the tip guide stop there; the one nearest
 * the line decides.
 */
export function netReach(rig: Rig): NetReach {
  const guideM = rig.rod.tipGuideM ?? TIP_GUIDE_M;
  const stops: { aboveFlyM: number; part: RigPart }[] = [
    ...rig.fittings.filter(stopsAtGuide).map((fitting) => ({
      aboveFlyM: fitting.aboveFlyM,
      part: fittingPart(fitting),
    })),
    ...spans(rig).flatMap(({ section, topM }, index) =>
      knotWidth(section, rig.sections[index - 1]) > guideM
        ? [{ aboveFlyM: topM, part: { kind: 'knot' as const, knot: section.joint } }]
        : [],
    ),
  ].sort((a, b) => b.aboveFlyM - a.aboveFlyM);
  return {
    shortestM: stops[0]?.aboveFlyM ?? 0,
    reachM: rig.rod.lengthM + ARM_M + NET_M,
    stoppedBy: stops[0]?.part ?? null,
  };
}

/** A fitting as a part that one tells of. */
export function fittingPart(fitting: Fitting): RigPart {
  return fitting.kind === 'shot'
    ? { kind: 'shot', metal: fitting.metal }
    : { kind: 'indicator', style: fitting.style };
}

function stopsAtGuide(fitting: Fitting): boolean {
  return fitting.kind === 'shot' || fitting.style !== 'slip-release';
}

/** How thick the knot above a section is, metres; nothing for a taper, and for what joins it to the fly line. */
function knotWidth({ joint, diameterM }: Section, upper: Section | undefined): number {
  if (joint === 'tapered' || !upper) return 0;
  if (joint === 'tippet-ring') return RING_M;
  return KNOT_BULK * Math.max(diameterM, upper.diameterM);
}

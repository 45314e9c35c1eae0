import { pointFly, indicatorOf } from '../leader/leader-geometry';
import type { Rig } from '../rig';

/** Arm and net add about this much to the rod when a fish is brought in. Rule of thumb, metres. */
export const ARM_M = 0.6;
export const NET_M = 0.45;

export interface NetReach {
  /** Shortest line to the fish that the rig allows, metres: what cannot pass the tip guide stops it there. */
  shortestM: number;
  /** Longest line with which one person can still net: rod + arm + net, metres. */
  reachM: number;
  /** What stops at the tip guide, or null when the whole leader can be wound in. */
  stoppedBy: string | null;
}

/**
 * Whether a fish on the point fly can be brought within reach of the net.
 *
 * A fixed or yarn indicator does not pass the tip guide; a slip-release one lets go and slides. Shot and knots do pass.
 */
export function netReach(rig: Rig): NetReach {
  const indicator = indicatorOf(rig);
  const blocks = indicator && indicator.style !== 'slip-release' && pointFly(rig);
  return {
    shortestM: blocks ? indicator.aboveFlyM : 0,
    reachM: rig.rod.lengthM + ARM_M + NET_M,
    stoppedBy: blocks ? `${indicator.style} indicator` : null,
  };
}

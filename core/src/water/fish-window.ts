import { inRange } from '../error';

/** Refractive index of fresh water. */
export const WATER_INDEX = 1.333;
/** Half the angle of the cone through which a fish sees the world above, radians: asin(1/n). */
export const WINDOW_HALF_ANGLE = Math.asin(1 / WATER_INDEX);
/** What stands lower than this over the window's edge is squeezed into its rim and hardly seen. A rule of thumb. */
export const LOW_ANGLE = (10 * Math.PI) / 180;
/** The fly line is kept this far outside of the window, metres. A rule of thumb. */
const LINE_CLEAR_M = 0.3;

export interface FishWindow {
  /** Radius of the window at the surface, metres. */
  radiusM: number;
  /** Least leader with which the fly can lie over the fish and the fly line outside of its window, metres. */
  leaderM: number;
  /** How much of the angler the fish sees, from the rim of the window up, degrees as the fish sees it. */
  arcDeg: number;
  /** Height above the water below which one is in the squeezed rim, at this distance, metres. */
  hiddenBelowM: number;
  /** Distance from which an angler of this height is in the squeezed rim, metres. */
  hiddenFromM: number;
  /** Whether the angler is seen above the rim. Ripple and cover hide more; nobody knows what a fish minds. */
  seen: boolean;
  /** Where the ray from the angler's head to the fish crosses the surface, metres from above the fish. */
  crossesAtM: number;
}

/**
 * What a fish sees of an angler: Snell's law at a flat surface.
 *
 * @param fishDepthM depth of the fish's eye, > 0
 * @param anglerHeightM height of the angler's head above the water, ≥ 0
 * @param distanceM along the water from above the fish to the angler, ≥ 0
 * @throws CoreError 'out-of-range'
 */
export function fishWindow(fishDepthM: number, anglerHeightM: number, distanceM: number): FishWindow {
  inRange('fishDepthM', fishDepthM, 0.01, 30);
  inRange('anglerHeightM', anglerHeightM, 0, 5);
  inRange('distanceM', distanceM, 0, 200);
  const radiusM = fishDepthM * Math.tan(WINDOW_HALF_ANGLE);
  const crossesAtM = crossing(fishDepthM, anglerHeightM, distanceM);
  const beyond = Math.max(0, distanceM - radiusM);
  const hiddenBelowM = beyond * Math.tan(LOW_ANGLE);
  return {
    radiusM,
    leaderM: radiusM + LINE_CLEAR_M,
    arcDeg: ((WINDOW_HALF_ANGLE - Math.atan(crossesAtM / fishDepthM)) * 180) / Math.PI,
    hiddenBelowM,
    hiddenFromM: radiusM + anglerHeightM / Math.tan(LOW_ANGLE),
    seen: anglerHeightM > hiddenBelowM,
    crossesAtM,
  };
}

/** Where a ray from a height at a distance crosses the surface on its way to the eye, by halving: it rises steadily. */
function crossing(depthM: number, heightM: number, distanceM: number): number {
  if (heightM === 0) return Math.min(distanceM, depthM * Math.tan(WINDOW_HALF_ANGLE));
  let [low, high] = [0, Math.min(distanceM, depthM * Math.tan(WINDOW_HALF_ANGLE))];
  for (let i = 0; i < 60; i++) {
    const at = (low + high) / 2;
    const below = at / Math.hypot(at, depthM);
    const above = (distanceM - at) / Math.hypot(distanceM - at, heightM);
    if (WATER_INDEX * below < above) low = at;
    else high = at;
  }
  return (low + high) / 2;
}

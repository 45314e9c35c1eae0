import type { IndicatorSchool, Rig } from '../rig';
import { indicatorOf, leaderLength } from '../leader/leader-geometry';

export const INDICATOR_FACTORS: Record<IndicatorSchool, number> = {
  'one-and-half': 1.5,
  double: 2,
  suspended: 1,
};

/** Suspended style holds the fly this far off the bottom, metres. */
export const SUSPENDED_CLEARANCE_M = 0.15;

/** The fewest metres of leader that must stay above the indicator, so that it can be tied on. */
const MIN_ABOVE_M = 0.1;

/**
 * Distance from point fly to indicator that a school asks for.
 *
 * @param depthM water depth, metres, > 0
 * @returns metres along the leader. Rules of thumb: the 1.5 × and 2 × rules hold in fast water and over-reach in slow.
 */
export function indicatorDistance(school: IndicatorSchool, depthM: number): number {
  return school === 'suspended'
    ? Math.max(0.1, depthM - SUSPENDED_CLEARANCE_M)
    : INDICATOR_FACTORS[school] * depthM;
}

/** A copy of the rig with the indicator where its school asks, as far as the leader is long enough. */
export function placeIndicator(rig: Rig): Rig {
  const wanted = indicatorDistance(rig.schools.indicator, rig.waterDepthM);
  return moveIndicator(rig, Math.min(wanted, leaderLength(rig) - MIN_ABOVE_M));
}

/** A copy of the rig with the indicator at a distance above the point fly, kept on the leader. */
export function moveIndicator(rig: Rig, aboveFlyM: number): Rig {
  const indicator = indicatorOf(rig);
  if (!indicator) return rig;
  const keptM = Math.min(Math.max(aboveFlyM, 0.1), leaderLength(rig) - MIN_ABOVE_M);
  return {
    ...rig,
    fittings: rig.fittings.map((fitting) =>
      fitting === indicator ? { ...fitting, aboveFlyM: keptM } : fitting,
    ),
  };
}

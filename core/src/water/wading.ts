import { isCold } from '../safety';
import { inRange } from '../error';
import { METRES_PER_FOOT } from '../units';

export const BOTTOMS = ['gravel', 'cobble', 'slick-rock', 'mud'] as const;
export type Bottom = (typeof BOTTOMS)[number];

export interface Wader {
  heightM: number;
  /** null when unknown: taken as an adult. */
  ageYears: number | null;
  hasStaff: boolean;
  /** Deepest he may go for reasons of his own, metres; 0 for one who stays on the bank, left out for none. */
  deepestM?: number;
}

export interface WadingPlace {
  depthM: number;
  speedMs: number;
  bottom: Bottom;
  /** null when unknown. */
  waterC: number | null;
  rising: boolean;
}

/** Why somebody wades less far than others, or not at all. */
export type WadingReason =
  | Exclude<Bottom, 'gravel'>
  | 'child'
  | 'older'
  | 'cold'
  | 'no-staff'
  | 'stays-on-bank'
  | 'beyond-own-depth'
  | 'half-height'
  | 'rising';

export interface Wading {
  /** Depth in feet × speed in feet a second. */
  product: number;
  /** What this person should stay below here, and where nobody wades. */
  limit: number;
  most: number;
  /** There is no word for good: the least is that nothing computed speaks against looking closer. */
  verdict: 'look-closer' | 'over-the-limit' | 'do-not-wade';
  /** What lowered the limit, and what speaks against it. */
  reasons: WadingReason[];
}

/** Below this the product is easy for adults, above the second nobody wades. Rules of thumb of the trade. */
const EASY = 4;
const NEVER = 10;
/** Height for which the limits are told, metres. */
const DEFAULT_HEIGHT_M = 1.75;
/** Deeper than this share of one's height one floats more than one stands. A rule of thumb. */
const DEEPEST_SHARE = 0.5;
/** Against gravel. */
const BOTTOM_SHARE = { cobble: 0.85, 'slick-rock': 0.7, mud: 0.75 };
const CHILD_AGE = 14;
const OLD_AGE = 65;

/**
 * Of several ages the one that lowers the limit most: a child's, else that of somebody older than others wade.
 *
 * @param ages whole years
 * @returns null when there is none
 */
export function mostLimiting(ages: readonly number[]): number | null {
  if (ages.length === 0) return null;
  const [youngest, oldest] = [Math.min(...ages), Math.max(...ages)];
  return youngest >= CHILD_AGE && oldest >= OLD_AGE ? oldest : youngest;
}

/**
 * Wading by the product of depth and speed, with limits for the person and the bottom. A caution, never a permission:
 * the caller shows that it is judged on the spot, and that local advice and the instructor's own limits decide.
 *
 * @throws CoreError 'out-of-range'
 */
export function wading(place: WadingPlace, wader: Wader): Wading {
  inRange('depthM', place.depthM, 0, 10);
  inRange('speedMs', place.speedMs, 0, 6);
  inRange('heightM', wader.heightM, 0.8, 2.3);
  const product = (place.depthM / METRES_PER_FOOT) * (place.speedMs / METRES_PER_FOOT);
  const reasons: WadingReason[] = [];
  const lowered = (share: number, reason: WadingReason): number => {
    if (share < 1) reasons.push(reason);
    return share;
  };
  const share =
    Math.min(1, wader.heightM / DEFAULT_HEIGHT_M) ** 2 *
    (place.bottom === 'gravel' ? 1 : lowered(BOTTOM_SHARE[place.bottom], place.bottom)) *
    lowered(wader.ageYears !== null && wader.ageYears < CHILD_AGE ? 0.6 : 1, 'child') *
    lowered(wader.ageYears !== null && wader.ageYears >= OLD_AGE ? 0.75 : 1, 'older') *
    lowered(isCold(place.waterC) ? 0.8 : 1, 'cold') *
    lowered(wader.hasStaff ? 1 : 0.85, 'no-staff');
  const limit = EASY * share;
  const deep = place.depthM > DEEPEST_SHARE * wader.heightM;
  const beyond = wader.deepestM !== undefined && place.depthM > wader.deepestM;
  if (beyond) reasons.push(wader.deepestM === 0 ? 'stays-on-bank' : 'beyond-own-depth');
  if (deep) reasons.push('half-height');
  if (place.rising) reasons.push('rising');
  const never = place.rising || deep || beyond || product >= NEVER;
  return {
    product,
    limit,
    most: NEVER,
    verdict: never ? 'do-not-wade' : product >= limit ? 'over-the-limit' : 'look-closer',
    reasons,
  };
}

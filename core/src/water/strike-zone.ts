export const HATCH_STAGES = ['none', 'nymphs-moving', 'emerging', 'on-top'] as const;
/** How far a hatch is. */
export type HatchStage = (typeof HATCH_STAGES)[number];

export interface StrikeZone {
  /** Shares of where fish feed in the column; they sum to one. */
  bottom: number;
  middle: number;
  top: number;
  /** Where to put the fly, as a share of the depth from the surface. */
  flyShare: number;
  /** How to fish there. */
  advice: 'bottom-slow' | 'bottom' | 'middle' | 'top';
}

/** Water so cold makes fish slow too, °C. A rule of thumb. */
const COLD_C = 6;

/**
 * Where in the column fish feed, by water temperature and stage of the hatch; temperature decides more than the date.
 * Rules of thumb of the trade, as shares.
 */
export function strikeZone(waterC: number, hatch: HatchStage): StrikeZone {
  // Cold water pins fish to the bottom; the share free to rise grows to ten degrees and is whole from there.
  const free = Math.min(1, Math.max(0, (waterC - 4) / 6));
  const high = { none: 0.05, 'nymphs-moving': 0.1, emerging: 0.4, 'on-top': 0.75 }[hatch] * free;
  const mid = { none: 0.2, 'nymphs-moving': 0.5, emerging: 0.4, 'on-top': 0.15 }[hatch] * free;
  const bottom = 1 - high - mid;
  const place = bottom >= Math.max(mid, high) ? 'bottom' : mid >= high ? 'middle' : 'top';
  const advice = place === 'bottom' && waterC < COLD_C ? 'bottom-slow' : place;
  return { bottom, middle: mid, top: high, flyShare: { bottom: 0.9, middle: 0.55, top: 0 }[place], advice };
}

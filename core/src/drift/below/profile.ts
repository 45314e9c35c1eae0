import { inRange } from '../../error';

export const PROFILES = ['log', 'power', 'even'] as const;
/** How the speed of the water falls towards the bed. */
export type ProfileKind = (typeof PROFILES)[number];

/** A column of flowing water. */
export interface WaterColumn {
  depthM: number;
  surfaceMs: number;
  profile: ProfileKind;
  /** Height at which the log law comes to zero, metres: 3 mm is a bed of small stones. Not the size of the stones. */
  roughnessM: number;
}

/** Exponent of the power law. */
const POWER = 1 / 6;

/**
 * Speed of the water at a height above the bed, m/s: by the law of the wall, by a power of the height, or the same
 * everywhere. Both laws are for a wide stream without waves; neither holds in the lee of a stone.
 */
export function columnSpeed(
  { depthM, surfaceMs, profile, roughnessM }: WaterColumn,
  aboveBedM: number,
): number {
  const height = Math.min(depthM, Math.max(0, aboveBedM));
  if (profile === 'even') return surfaceMs;
  if (profile === 'power') return surfaceMs * (height / depthM) ** POWER;
  return (surfaceMs * Math.log1p(height / roughnessM)) / Math.log1p(depthM / roughnessM);
}

/** @throws CoreError 'out-of-range' */
export function checkColumn({ depthM, surfaceMs, roughnessM }: WaterColumn): void {
  inRange('depthM', depthM, 0.05, 10);
  inRange('surfaceMs', surfaceMs, 0, 4);
  inRange('roughnessM', roughnessM, 1e-6, 0.5);
}

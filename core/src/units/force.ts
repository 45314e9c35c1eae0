import type { UnitSystem } from './length';

/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;
export const NEWTONS_PER_POUND = 4.4482216;

/** A pull in newtons or pounds, to what a hand scale can show. */
export function formatForce(forceN: number, system: UnitSystem): string {
  return system === 'metric' ? `${forceN.toFixed(0)} N` : `${(forceN / NEWTONS_PER_POUND).toFixed(1)} lb`;
}

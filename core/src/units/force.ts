import type { UnitSystem } from './length';

/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;
export const NEWTONS_PER_POUND = 4.4482216;

/** A pull as a hand scale shows it and a spool tells it: `2.0 kg`, `4.5 lb`. */
export function formatForce(forceN: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${(forceN / GRAVITY).toFixed(1)} kg`
    : `${(forceN / NEWTONS_PER_POUND).toFixed(1)} lb`;
}

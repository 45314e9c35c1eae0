import { GRAVITY } from './force';
import { METRES_PER_INCH, METRES_PER_MILE, type UnitSystem } from './length';

/** Kilograms in a grain. */
export const KG_PER_GRAIN = 6.479891e-5;

/** A small mass: `0.16 g`, `2.5 grains`. */
export function formatMass(massKg: number, system: UnitSystem): string {
  if (system === 'imperial') return `${(massKg / KG_PER_GRAIN).toFixed(1)} gr`;
  const grams = massKg * 1000;
  return `${grams.toFixed(grams < 1 ? 2 : 1)} g`;
}

/** A small weight as the mass that has it: what a kitchen scale would show. */
export function formatWeight(weightN: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${((weightN / GRAVITY) * 1000).toFixed(2)} g`
    : formatMass(weightN / GRAVITY, system);
}

/** A wind: `5 m/s`, `11 mph`. */
export function formatWind(speedMs: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${speedMs.toFixed(0)} m/s`
    : `${((speedMs * 3600) / METRES_PER_MILE).toFixed(0)} mph`;
}

/** A speed: `32 cm/s`, `13 in/s`. */
export function formatSpeed(speedMs: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${(speedMs * 100).toFixed(0)} cm/s`
    : `${(speedMs / METRES_PER_INCH).toFixed(0)} in/s`;
}

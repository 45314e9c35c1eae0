import type { SavedWater } from '@doceo/contract';
import { type SunTimes, sunTimes } from '@doceo/core';

/** Sun times of a day at a water; null while nobody has said where it lies. */
export function sunAt({ water: { latitude, longitude } }: SavedWater, date: string): SunTimes | null {
  if (latitude === null || longitude === null) return null;
  return sunTimes(latitude, longitude, Date.parse(`${date}T12:00:00Z`));
}

import type { ConditionDay, SavedWater } from '@doceo/contract';
import { sunAt } from '../../data/lesson/sun-at';
import { noonWater } from '../../data/lesson/outlook';
import type { BandDay } from './band-shape';

/** A day at a water as a band shows it; without light where nobody said where the water lies, or without a water. */
export function bandDay(
  saved: SavedWater | null,
  date: string,
  conditions: readonly ConditionDay[] | null | undefined,
): BandDay {
  const known = conditions?.find((one) => one.date === date);
  return {
    ...{ date, sun: saved && sunAt(saved, date) },
    ...noonWater(known, saved?.water.timeZone ?? 'UTC'),
  };
}

import { getTimes } from 'suncalc';
import { inRange } from '../error';

export interface SunTimes {
  /** First usable light: the sun 6° below the horizon. Epoch milliseconds, null where it does not happen. */
  dawnMs: number | null;
  sunriseMs: number | null;
  sunsetMs: number | null;
  /** Last usable light: the sun 6° below the horizon. */
  duskMs: number | null;
}

/**
 * Sun times of one day at one place.
 *
 * @param latitude degrees north, −90…90
 * @param longitude degrees east, −180…180
 * @param noonMs epoch milliseconds of about noon of the wanted day there
 * @returns epoch milliseconds; null in polar night or day
 * @throws CoreError 'out-of-range' for impossible coordinates
 * Low-precision solar position, good to about two minutes below 65° latitude; hills are not considered.
 */
export function sunTimes(latitude: number, longitude: number, noonMs: number): SunTimes {
  inRange('latitude', latitude, -90, 90);
  inRange('longitude', longitude, -180, 180);
  inRange('noonMs', noonMs, 0);
  const times = getTimes(new Date(noonMs), latitude, longitude);
  const ms = (date: Date): number | null => (Number.isNaN(date.getTime()) ? null : date.getTime());
  return {
    dawnMs: ms(times.dawn),
    sunriseMs: ms(times.sunrise),
    sunsetMs: ms(times.sunset),
    duskMs: ms(times.dusk),
  };
}

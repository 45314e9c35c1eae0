import { DateTime } from 'luxon';

/** ISO date at the water. */
export function localDate(startsAt: string, timeZone: string): string {
  return DateTime.fromISO(startsAt, { zone: timeZone }).toISODate() ?? '';
}

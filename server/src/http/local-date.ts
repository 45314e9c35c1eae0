import { DateTime } from 'luxon';

/** ISO date at a place. */
export function localDate(instant: Date, timeZone: string): string {
  return DateTime.fromJSDate(instant, { zone: timeZone }).toISODate() ?? '';
}

import { DateTime } from 'luxon';

/** `21 Oct 2025` for the ISO date on which something was read or said, or `never`. */
export function readOnText(on: string | null | undefined): string {
  return on ? DateTime.fromISO(on).toFormat('d LLL yyyy') : 'never';
}

/** In which 29 February is a day. */
const LEAP_YEAR = 2024;

/** `1 Mar` for `03-01`. */
export function dayOfYearText(monthDay: string): string {
  return DateTime.fromFormat(`${LEAP_YEAR}-${monthDay}`, 'yyyy-MM-dd').toFormat('d LLL');
}

const FORMS = ['d LLL', 'd LLLL', 'LLL d', 'LLLL d', 'd.M.', 'd.M', 'MM-dd'];

/**
 * The day of a year as people write it: `1 Mar`, `March 1`, `1.3.`.
 *
 * @returns month-day as `03-01`; null for what is no day
 */
export function dayOfYear(text: string): string | null {
  const found = FORMS.map((form) => DateTime.fromFormat(`${LEAP_YEAR} ${text.trim()}`, `yyyy ${form}`)).find(
    (one) => one.isValid,
  );
  return found?.toFormat('MM-dd') ?? null;
}

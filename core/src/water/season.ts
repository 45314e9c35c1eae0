import type { RuleCard } from './water';

/** While nobody has said when the season ends, a card is read for the calendar year. */
const YEAR_END = '12-31';

/**
 * The day on which the last season before a date ended. A rule card read after it counts as read for this season,
 * whether the date lies in a season or between two.
 *
 * @param date ISO date, e.g. `2026-11-28`
 * @param to season end as month-day
 * @returns ISO date, always earlier than `date`
 */
function lastSeasonEnd(date: string, to: string): string {
  const year = Number(date.slice(0, 4));
  return `${year}-${to}` < date.slice(0, 10) ? `${year}-${to}` : `${year - 1}-${to}`;
}

/** Whether a date lies in the season, both ends included; `to` before `from` runs over the year's end. */
function inSeason(date: string, from: string, to: string): boolean {
  const day = date.slice(5, 10);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

/**
 * Whether a person read a rule card since the last season ended; while nobody has said when it ends, since the year began.
 *
 * @param date ISO date of the lesson
 */
export function isCardRead({ checkedOn, seasonTo }: RuleCard, date: string): boolean {
  return checkedOn !== null && checkedOn > readAfter(seasonTo, date);
}

/** The ISO date after which a card must have been read for a lesson on a date. */
export function readAfter(seasonTo: string | null, date: string): string {
  return lastSeasonEnd(date, seasonTo ?? YEAR_END);
}

/** Whether a card closes a date; it closes none while nobody has said when the season is. */
export function isClosed({ seasonFrom, seasonTo }: RuleCard, date: string): boolean {
  return seasonFrom !== null && seasonTo !== null && !inSeason(date, seasonFrom, seasonTo);
}

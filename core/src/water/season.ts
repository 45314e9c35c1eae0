/**
 * The day on which the last season before a date ended. A rule card read after it counts as read for this season,
 * whether the date lies in a season or between two.
 *
 * @param date ISO date, e.g. `2026-11-28`
 * @param to season end as month-day
 * @returns ISO date, always earlier than `date`
 */
export function lastSeasonEnd(date: string, to: string): string {
  const year = Number(date.slice(0, 4));
  return `${year}-${to}` < date.slice(0, 10) ? `${year}-${to}` : `${year - 1}-${to}`;
}

/** Whether a date lies in the season, both ends included; `to` before `from` runs over the year's end. */
export function inSeason(date: string, from: string, to: string): boolean {
  const day = date.slice(5, 10);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

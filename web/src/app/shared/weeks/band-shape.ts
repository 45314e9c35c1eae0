import type { SunTimes } from '@doceo/core';
import { DateTime } from 'luxon';

/** The hours of a day that a band shows, from the one to the other. */
export interface ShownHours {
  fromHour: number;
  toHour: number;
}

/** No band shows more of a day: a lesson is taught between these hours. */
const MOST: ShownHours = { fromHour: 4, toHour: 23 };
/** Nor less than these. */
const LEAST: ShownHours = { fromHour: 8, toHour: 16 };

/** A day of a band: its light, and its water about noon where that is known. */
export interface BandDay {
  date: string;
  sun: SunTimes | null;
  levelM: number | null;
  waterC: number | null;
}

/** Something that stands in a day, with its hours: epoch milliseconds. */
export interface BandMark {
  id: string;
  date: string;
  fromMs: number;
  toMs: number;
  text: string;
  /** For where there is no room for the text. */
  short: string;
  /** Read out where the text is short. */
  label: string;
  looks: 'lesson' | 'taught' | 'best' | 'good' | 'stopped';
}

function hourOf(ms: number, zone: string): number {
  const at = DateTime.fromMillis(ms, { zone });
  return at.hour + at.minute / 60;
}

/** The hours that hold the light of all days, and what stands in them. */
export function hoursShown(days: readonly BandDay[], marks: readonly BandMark[], zone: string): ShownHours {
  const from = [
    ...days.flatMap(({ sun }) => (sun?.dawnMs ? [hourOf(sun.dawnMs, zone)] : [])),
    ...marks.map(({ fromMs }) => hourOf(fromMs, zone)),
  ];
  const to = [
    ...days.flatMap(({ sun }) =>
      sun?.dawnMs && sun.duskMs ? [hourAfter(sun.duskMs, sun.dawnMs, zone)] : [],
    ),
    ...marks.map(({ fromMs, toMs }) => hourAfter(toMs, fromMs, zone)),
  ];
  return {
    fromHour: Math.max(MOST.fromHour, Math.min(LEAST.fromHour, Math.floor(Math.min(...from)) - 1)),
    toHour: Math.min(MOST.toHour, Math.max(LEAST.toHour, Math.ceil(Math.max(...to)) + 1)),
  };
}

/** The hour of an end; what ends past the midnight after its beginning ends at the bottom. */
function hourAfter(ms: number, fromMs: number, zone: string): number {
  const dayOf = (at: number): string | null => DateTime.fromMillis(at, { zone }).toISODate();
  return dayOf(ms) === dayOf(fromMs) ? hourOf(ms, zone) : 24;
}

/** Where a stretch of a day stands, 0 at the top and 1 at the bottom; hours that are not shown stand at its edge. */
export function placeOf(
  { fromMs, toMs }: Pick<BandMark, 'fromMs' | 'toMs'>,
  zone: string,
  { fromHour, toHour }: ShownHours,
): { top: number; bottom: number } {
  const at = (hour: number): number => Math.min(1, Math.max(0, (hour - fromHour) / (toHour - fromHour)));
  return { top: at(hourOf(fromMs, zone)), bottom: at(hourAfter(toMs, fromMs, zone)) };
}

/**
 * The light of days beside each other, as the outline of an area: along the upper edge as it begins, back along the lower
 * as it ends. Each day is one unit wide, and the band one unit high; a day without light has none of the area.
 *
 * @param edge from first to last light, or from sunrise to sunset
 */
export function lightArea(
  days: readonly BandDay[],
  zone: string,
  edge: 'twilight' | 'sun',
  hours: ShownHours,
): string {
  const known = days.flatMap(({ sun }, i) => {
    const fromMs = edge === 'sun' ? sun?.sunriseMs : sun?.dawnMs;
    const toMs = edge === 'sun' ? sun?.sunsetMs : sun?.duskMs;
    return fromMs && toMs ? [{ ...placeOf({ fromMs, toMs }, zone, hours), i }] : [];
  });
  if (known.length === 0) return '';
  const along = (of: 'top' | 'bottom'): string[] =>
    known.flatMap((end) => [`${end.i} ${end[of].toFixed(4)}`, `${end.i + 1} ${end[of].toFixed(4)}`]);
  return `M${along('top').join('L')}L${along('bottom').reverse().join('L')}Z`;
}

/** The least rise of a level that is drawn as high as its strip, metres: less than that is no news. */
const LEAST_RISE_M = 0.3;

/** The level of a river over the days as an area over a strip, each day one unit wide and the strip one unit high. */
export function levelArea(days: readonly BandDay[]): string {
  const levels = days.map(({ levelM }) => levelM ?? 0);
  const low = Math.min(0, ...levels);
  const range = Math.max(LEAST_RISE_M, Math.max(...levels) - low);
  const y = (level: number): string => (0.85 - (0.75 * (level - low)) / range).toFixed(3);
  const points = levels.map((level, i) => `${i + 0.5} ${y(level)}`);
  const [first, last] = [y(levels[0] ?? 0), y(levels.at(-1) ?? 0)];
  return `M0 1L0 ${first}L${points.join('L')}L${days.length} ${last}L${days.length} 1Z`;
}

/** So many days from one on, as ISO dates. */
export function datesFrom(date: string, count: number): string[] {
  const start = DateTime.fromISO(date, { zone: 'utc' });
  return Array.from({ length: count }, (_, i) => start.plus({ days: i }).toISODate() ?? '');
}

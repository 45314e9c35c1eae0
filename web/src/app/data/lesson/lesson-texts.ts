import { listed, NEED_NAMES } from '@doceo/texts';
import type { SavedLesson, Student } from '@doceo/contract';
import { clockTime } from '@doceo/core';
import { DateTime } from 'luxon';

/** `Sat 28 Nov` at the water. */
export function dayText(startsAt: string, timeZone: string): string {
  return DateTime.fromISO(startsAt, { zone: timeZone }).toFormat('ccc d LLL');
}

/** `09:30` at the water; a dash where there is no time. */
export function timeText(ms: number | null | undefined, timeZone: string): string {
  return ms === null || ms === undefined ? '–' : clockTime(ms, timeZone);
}

/** `09:30–13:00` for a stretch of the lesson. */
export function spanText(startMs: number, minutes: number, timeZone: string): string {
  return `${clockTime(startMs, timeZone)}–${clockTime(startMs + minutes * 60_000, timeZone)}`;
}

/** `PH` for `Petra Holm`. */
export function initials(name: string): string {
  const words = name.trim().split(/\s+/);
  return ((words[0]?.[0] ?? '') + (words.length > 1 ? (words.at(-1)?.[0] ?? '') : '')).toUpperCase();
}

/** What a student needs, in a line that may stand on a card: `left-handed, shoulder`. */
export function needsText({ hand, needs }: Pick<Student, 'hand' | 'needs'>): string {
  return [hand === 'left' ? 'left-handed' : '', ...needs.map((need) => NEED_NAMES[need].toLowerCase())]
    .filter(Boolean)
    .join(', ');
}

/** What to remember of a student, in a line for his instructor: `left-handed, shoulder, first season`. */
export function aboutStudent(student: Pick<Student, 'hand' | 'needs' | 'note'>): string {
  return [needsText(student), student.note].filter(Boolean).join(', ');
}

/** With whom one teaches a lesson, or whose it is; empty for one's own that one teaches alone. */
export function withText({ mine, instructors }: Pick<SavedLesson, 'mine' | 'instructors'>): string {
  const [keeper, ...along] = instructors;
  if (!mine) return `${keeper?.name ?? ''}’s lesson`;
  return along.length > 0 ? `with ${listed(along.map(({ name }) => name))}` : '';
}

export function firstName(name: string): string {
  return name.split(' ')[0] ?? name;
}

/**
 * What each of a group is called: the first name, with the first letter of the last one where two share it, and the whole
 * name where two share that too; by id.
 */
export function callNames(
  group: readonly { id: string; student: { name: string } }[],
): ReadonlyMap<string, string> {
  return callNamesOf(group.map(({ id, student: { name } }) => ({ id, name })));
}

/** The same of people who are named only. */
export function callNamesOf(group: readonly { id: string; name: string }[]): ReadonlyMap<string, string> {
  const told = group.map(({ name }) => [firstName(name), withLetter(name), name]);
  return new Map(
    group.map(({ id, name }, i) => {
      const alone = (told[i] ?? []).find((text, k) => told.every((one, j) => j === i || one[k] !== text));
      return [id, alone ?? name];
    }),
  );
}

function withLetter(name: string): string {
  const last = name.trim().split(/\s+/).slice(1).at(-1);
  return last ? `${firstName(name)} ${[...last][0]}.` : name;
}

/** How long until something, told as one would: by minutes, then hours of the day, then days of the calendar there. */
export function untilText(atMs: number, nowMs: number, timeZone: string): string {
  const minutes = Math.ceil((atMs - nowMs) / 60_000);
  if (minutes <= 0) return 'under way';
  if (minutes < 2 * HOUR_MIN) return `in ${minutes} min`;
  const day = (ms: number): DateTime => DateTime.fromMillis(ms, { zone: timeZone }).startOf('day');
  const days = Math.round(day(atMs).diff(day(nowMs), 'days').days);
  if (days === 0) return `today, in ${Math.round(minutes / HOUR_MIN)} hours`;
  return days === 1 ? 'tomorrow' : `in ${days} days`;
}

const HOUR_MIN = 60;
const DAY_MIN = 24 * 60;

/** That a device's clock is off, and by how much; null when it is right. */
export function clockText(aheadMs: number): string | null {
  if (aheadMs === 0) return null;
  const minutes = Math.round(Math.abs(aheadMs) / 60_000);
  const much =
    minutes >= 2 * DAY_MIN
      ? `${Math.round(minutes / DAY_MIN)} days`
      : minutes >= 2 * HOUR_MIN
        ? `${Math.round(minutes / HOUR_MIN)} hours`
        : `${minutes} min`;
  return `This device’s clock is ${much} ${aheadMs > 0 ? 'ahead' : 'behind'}. Times are put right when entries are sent.`;
}

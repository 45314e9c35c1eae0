import { inRange } from '../error';

/** How long a school keeps what it wrote of students, in months since. */
export interface RetentionRule {
  /** Entries of lessons: what was seen, said and measured. */
  entryMonths: number;
  /** All of a student, since he last came. */
  studentMonths: number;
}

export interface KeptStudent {
  id: string;
  /** Day on which he was written down, ISO. */
  addedOn: string;
  /** Start of the last lesson he was in or is put down for, ISO day; null for none. */
  lastLessonOn: string | null;
}

export interface KeptEntry {
  studentId: string;
  /** Epoch milliseconds; its day is that of UTC. */
  atMs: number;
  /** How many there are of that day, from 1; one where it is left out. */
  count?: number;
}

/** Something that goes, of whom and when. */
export interface RetentionDue {
  studentId: string;
  what: 'entries' | 'student';
  /** Day on which it goes, ISO: for entries that of the oldest. */
  on: string;
  /** Whether that day has come. */
  due: boolean;
  /** Entries that go by today; of a student all there are. */
  entries: number;
}

const MAX_MONTHS = 600;

/**
 * What is due to go by a school's rule, and what comes next: for each student his whole record when he has long not come,
 * else his oldest entries.
 *
 * A month later is the same day of the month, or its last day where it has none. A lesson that is still to come counts as
 * having come then: nobody's record goes the day before his lesson.
 *
 * @param today ISO day
 * @returns by day, then by student; a student whose record goes has no line for its entries
 * @throws CoreError 'out-of-range' for months below 1 or above 600, or fewer for a student than for his entries
 */
export function retentionDue(
  students: readonly KeptStudent[],
  entries: readonly KeptEntry[],
  rule: RetentionRule,
  today: string,
): RetentionDue[] {
  inRange('entryMonths', rule.entryMonths, 1, MAX_MONTHS);
  inRange('studentMonths', rule.studentMonths, rule.entryMonths, MAX_MONTHS);
  const byStudent = grouped(entries);
  return students
    .flatMap(({ id, addedOn, lastLessonOn }): RetentionDue[] => {
      const own = (byStudent.get(id) ?? []).map(({ atMs, count = 1 }) => ({ day: dayOf(atMs), count }));
      const days = own.map(({ day }) => day).sort();
      const last = [addedOn, lastLessonOn ?? addedOn, days.at(-1) ?? addedOn].sort().at(-1) as string;
      const goes = monthsLater(last, rule.studentMonths);
      if (goes <= today)
        return [{ studentId: id, what: 'student', on: goes, due: true, entries: counted(own) }];
      const [oldest] = days;
      if (oldest === undefined) return [{ studentId: id, what: 'student', on: goes, due: false, entries: 0 }];
      const on = monthsLater(oldest, rule.entryMonths);
      const past = own.filter(({ day }) => monthsLater(day, rule.entryMonths) <= today);
      return [{ studentId: id, what: 'entries', on, due: on <= today, entries: counted(past) }];
    })
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.studentId < b.studentId ? -1 : 1));
}

/**
 * The day on which an entry goes.
 *
 * @param atMs epoch milliseconds of the entry; its day is that of UTC
 * @param months how long entries are kept, from 1 to 600
 * @returns ISO day
 * @throws CoreError 'out-of-range' for other months
 */
export function entryGoesOn(atMs: number, months: number): string {
  return monthsLater(dayOf(atMs), inRange('entryMonths', months, 1, MAX_MONTHS));
}

const counted = (days: readonly { count: number }[]): number =>
  days.reduce((sum, { count }) => sum + count, 0);

function dayOf(atMs: number): string {
  return new Date(atMs).toISOString().slice(0, 10);
}

function grouped(entries: readonly KeptEntry[]): Map<string, KeptEntry[]> {
  const groups = new Map<string, KeptEntry[]>();
  for (const entry of entries) {
    const group = groups.get(entry.studentId);
    if (group) group.push(entry);
    else groups.set(entry.studentId, [entry]);
  }
  return groups;
}

/** The same day so many months later, or the last day of a month that is shorter. */
function monthsLater(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(date, last))).toISOString().slice(0, 10);
}

import { type Keeping, MAX_GOES } from '@doceo/contract';
import { entryGoesOn, type KeptStudent, retentionDue, type RetentionDue } from '@doceo/core';
import { DateTime } from 'luxon';
import { forgetOutcomes } from '../circles/outcomes.sql';
import type { Db, Pool } from '../db/pool';
import { deleteStudent } from '../students/privacy.sql';
import { lockStudent } from '../students/students.sql';
import {
  type CountingRule,
  countOld,
  deleteEntries,
  findKept,
  findOld,
  findRule,
  findRules,
} from './keeping.sql';

/** So far ahead is told what goes, days. */
const AHEAD_DAYS = 31;
/** Entries that are deleted at once. */
const BATCH = 1000;

/** How long an instructor's records are kept, and what goes in the next weeks. */
export async function keepingOf(db: Db, userId: string, today: string): Promise<Keeping> {
  const rules = await findRules(db, userId);
  const counting = await findRule(db, userId);
  if (!counting) return { ...rules, rule: null, goes: [], goesBesides: 0 };
  const until = DateTime.fromISO(today).plus({ days: AHEAD_DAYS }).toISODate() as string;
  const goes = (await dueOf(db, userId, counting, until))
    .map((one) => ({ ...one, on: one.on < counting.firstOn ? counting.firstOn : one.on }))
    .filter(({ on }) => on <= until)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.name.localeCompare(b.name)));
  const told = goes.slice(0, MAX_GOES);
  const counts = await countGoing(db, told, counting, until);
  return {
    ...{ ...rules, rule: counting.rule },
    goes: told.map(({ studentId, name, what, on }) => ({
      ...{ studentId, name, what, on, entries: counts.get(studentId) ?? 0 },
    })),
    goesBesides: goes.length - told.length,
  };
}

/** How many entries go of each of some students by a day: only of those that are told, for it reads them all. */
async function countGoing(
  db: Db,
  going: readonly Going[],
  counting: CountingRule,
  until: string,
): Promise<Map<string, number>> {
  const ids = going.map(({ studentId }) => studentId);
  const entries = await countOld(db, ids, olderThan(counting, until));
  const due = retentionDue(
    going.map(({ student }) => student),
    entries,
    counting.rule,
    until,
  );
  return new Map(due.map(({ studentId, entries: count }) => [studentId, count]));
}

/**
 * Has go what is due of an instructor's records.
 *
 * @returns how many entries and students went
 */
export async function clearDue(
  pool: Pool,
  userId: string,
  today: string,
): Promise<{ entries: number; students: number }> {
  const counting = await findRule(pool, userId);
  if (!counting || counting.firstOn > today) return { entries: 0, students: 0 };
  const { rule } = counting;
  let students = 0;
  for (const { studentId, what } of await dueOf(pool, userId, counting, today))
    if (what === 'student')
      students += await pool.transaction(async (db) => {
        await lockStudent(db, studentId);
        // A lesson may have been put down for him meanwhile.
        const still = await dueOf(db, userId, counting, today, studentId);
        if (!still.some((one) => one.studentId === studentId && one.what === 'student')) return 0;
        await forgetOutcomes(db, userId);
        return Number(await deleteStudent(db, userId, studentId));
      });
  const old = (await findOld(pool, userId, olderThan(counting, today))).filter(
    ({ atMs }) => entryGoesOn(atMs, rule.entryMonths) <= today,
  );
  for (const table of ['events', 'readings', 'home_entries'] as const) {
    const ids = old.filter((entry) => entry.of === table).map(({ id }) => id);
    for (let at = 0; at < ids.length; at += BATCH)
      await pool.transaction((db) => deleteEntries(db, table, ids.slice(at, at + BATCH)));
  }
  return { entries: old.length, students };
}

/** Something that goes, and of whom. */
type Going = Pick<RetentionDue, 'studentId' | 'what' | 'on'> & { name: string; student: KeptStudent };

/** What is due on a day, of all or of one student. */
async function dueOf(
  db: Db,
  userId: string,
  counting: CountingRule,
  day: string,
  only: string | null = null,
): Promise<Going[]> {
  const { students, oldest } = await findKept(db, userId, olderThan(counting, day), only);
  const byId = new Map(students.map((student) => [student.id, student]));
  return retentionDue(students, oldest, counting.rule, day).flatMap(({ due, studentId, what, on }) => {
    const student = byId.get(studentId);
    return due && student ? [{ studentId, what, on, name: student.name, student }] : [];
  });
}

/** The day before which lies all that can be due; months are not of one length, so a few days more. */
function olderThan({ rule }: CountingRule, day: string): string {
  return DateTime.fromISO(day).minus({ months: rule.entryMonths }).plus({ days: 4 }).toISODate() as string;
}

import { type Keeping, MAX_GOES } from '@doceo/contract';
import { entryGoesOn, retentionDue } from '@doceo/core';
import { DateTime } from 'luxon';
import { forgetOutcomes } from '../circles/outcomes.sql';
import type { Db, Pool } from '../db/pool';
import { deleteStudent } from '../students/privacy.sql';
import { lockStudent } from '../students/students.sql';
import { deleteEntries, findKept, findOld, findRule, findRules, type CountingRule } from './keeping.sql';

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
    .map(({ on, ...one }) => ({ ...one, on: on < counting.firstOn ? counting.firstOn : on }))
    .filter(({ on }) => on <= until)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.name.localeCompare(b.name)));
  return {
    ...{ ...rules, rule: counting.rule },
    ...{ goes: goes.slice(0, MAX_GOES), goesBesides: Math.max(0, goes.length - MAX_GOES) },
  };
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

/** What is due on a day, of all or of one student. */
async function dueOf(
  db: Db,
  userId: string,
  counting: CountingRule,
  day: string,
  only: string | null = null,
): Promise<Keeping['goes']> {
  const { students, entries } = await findKept(db, userId, olderThan(counting, day), only);
  const names = new Map(students.map(({ id, name }) => [id, name]));
  return retentionDue(students, entries, counting.rule, day)
    .filter(({ due }) => due)
    .map(({ studentId, what, on, entries: count }) => ({
      ...{ studentId, name: names.get(studentId) ?? '', what, on, entries: count },
    }));
}

/** The day before which lies all that can be due; months are not of one length, so a few days more. */
function olderThan({ rule }: CountingRule, day: string): string {
  return DateTime.fromISO(day).minus({ months: rule.entryMonths }).plus({ days: 4 }).toISODate() as string;
}

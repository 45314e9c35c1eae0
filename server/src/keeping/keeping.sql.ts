import { KEEPING_NOTICE_DAYS, type Keeping, type KeepingRule } from '@doceo/contract';
import type { KeptEntry, KeptStudent } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { raiseRecords } from '../records/records.sql';

interface RuleRow {
  entry_months: number | null;
  student_months: number | null;
  keeping_since: string | null;
}

function ruleOf({ entry_months, student_months }: RuleRow): KeepingRule | null {
  return entry_months === null || student_months === null
    ? null
    : { entryMonths: entry_months, studentMonths: student_months };
}

/** What an instructor and his circles have set; by primary key and circle_members_user. */
export async function findRules(db: Db, userId: string): Promise<Pick<Keeping, 'own' | 'circles'>> {
  const [own] = await rows<RuleRow>(
    db,
    'SELECT entry_months, student_months, keeping_since FROM users WHERE id = ?',
    [userId],
  );
  const circles = await rows<RuleRow & { id: string; name: string; role: string }>(
    db,
    `SELECT c.id, c.name, m.role, c.entry_months, c.student_months, c.keeping_since
     FROM circle_members m JOIN circles c ON c.id = m.circle_id WHERE m.user_id = ? ORDER BY c.name, c.id`,
    [userId],
  );
  return {
    own: own ? ruleOf(own) : null,
    circles: circles.map((row) => ({
      ...{ circleId: row.id, name: row.name, rule: ruleOf(row), mine: row.role === 'owner' },
    })),
  };
}

/** The rule that counts for an instructor's records, and the first day on which something may go by it. */
export interface CountingRule {
  rule: KeepingRule;
  firstOn: string;
}

/** The shortest that he or one of his circles set; null where nobody set any. */
export async function findRule(db: Db, userId: string): Promise<CountingRule | null> {
  const [row] = await rows<RuleRow>(
    db,
    `SELECT MIN(r.entry_months) AS entry_months, MIN(r.student_months) AS student_months,
       DATE_ADD(MAX(r.keeping_since), INTERVAL ? DAY) AS keeping_since FROM (
       SELECT entry_months, student_months, keeping_since FROM users WHERE id = ?
       UNION ALL
       SELECT c.entry_months, c.student_months, c.keeping_since
       FROM circle_members m JOIN circles c ON c.id = m.circle_id WHERE m.user_id = ?
     ) r WHERE r.entry_months IS NOT NULL`,
    [KEEPING_NOTICE_DAYS, userId, userId],
  );
  const rule = row && ruleOf(row);
  return rule && row.keeping_since ? { rule, firstOn: row.keeping_since } : null;
}

/** A rule that is set anew begins anew: nothing goes by it before it could be seen. */
export async function setRule(
  db: Db,
  table: 'users' | 'circles',
  id: string,
  rule: KeepingRule | null,
): Promise<void> {
  await write(
    db,
    `UPDATE ${table} SET keeping_since = IF(entry_months <=> ? AND student_months <=> ?, keeping_since, UTC_DATE()),
       entry_months = ?, student_months = ? WHERE id = ?`,
    [
      rule?.entryMonths ?? null,
      rule?.studentMonths ?? null,
      rule?.entryMonths ?? null,
      rule?.studentMonths ?? null,
      id,
    ],
  );
}

/** Instructors with students for whom a rule counts; uses students_owner. */
export async function findKeepers(db: Db): Promise<string[]> {
  const found = await rows<{ id: string }>(
    db,
    `SELECT u.id FROM users u WHERE EXISTS (SELECT 1 FROM students s WHERE s.owner_id = u.id)
       AND (u.entry_months IS NOT NULL OR EXISTS (
         SELECT 1 FROM circle_members m JOIN circles c ON c.id = m.circle_id
         WHERE m.user_id = u.id AND c.entry_months IS NOT NULL))
     ORDER BY u.id`,
    [],
  );
  return found.map(({ id }) => id);
}

/** Where entries of students lie. */
export type EntryTable = 'events' | 'readings' | 'home_entries';

/** An instructor's students, or one of them, and when each came last; uses students_owner, events_age and lesson_students_student. */
async function findKeptStudents(
  db: Db,
  userId: string,
  only: string | null,
): Promise<(KeptStudent & { name: string })[]> {
  const found = await rows<{
    id: string;
    name: string;
    added_on: string;
    last_lesson_on: string | null;
    last_ms: number | null;
    last_reading: string | null;
  }>(
    db,
    `SELECT s.id, s.name, DATE(s.added_at) AS added_on,
       (SELECT DATE(MAX(l.starts_at)) FROM lesson_students p JOIN lessons l ON l.id = p.lesson_id
         WHERE p.student_id = s.id) AS last_lesson_on,
       (SELECT e.at_ms FROM events e WHERE e.student_id = s.id ORDER BY e.at_ms DESC LIMIT 1) AS last_ms,
       (SELECT MAX(r.taken_on) FROM readings r WHERE r.student_id = s.id) AS last_reading
     FROM students s WHERE s.owner_id = ?${only === null ? '' : ' AND s.id = ?'}`,
    only === null ? [userId] : [userId, only],
  );
  return found.map((row) => {
    const lastEntry = row.last_ms === null ? null : new Date(Number(row.last_ms)).toISOString().slice(0, 10);
    const came = [row.last_lesson_on, lastEntry, row.last_reading].filter((on) => on !== null).sort();
    return { id: row.id, name: row.name, addedOn: row.added_on, lastLessonOn: came.at(-1) ?? null };
  });
}

/** When an entry of a table was made, as it is kept and in milliseconds. */
const MADE: Record<EntryTable, { at: string; atMs: string }> = {
  events: { at: 'e.at_ms', atMs: 'e.at_ms' },
  readings: { at: 'e.taken_on', atMs: "DATEDIFF(e.taken_on, '1970-01-01') * 86400000" },
  home_entries: { at: 'e.at_ms', atMs: 'e.at_ms' },
};
const TABLES = Object.keys(MADE) as EntryTable[];

/**
 * The first entry of each of an instructor's students, or of one of them, in each table, where it was made before a day.
 * By students_owner, then the first in events_age, readings_student and home_entries_student: with the day in the query
 * all entries of who has none so old would be read.
 */
async function findFirst(db: Db, userId: string, day: string, only: string | null): Promise<KeptEntry[]> {
  const untilMs = Date.parse(`${day}T00:00:00Z`);
  const found: KeptEntry[] = [];
  for (const table of TABLES) {
    const { at, atMs } = MADE[table];
    const first = await rows<{ id: string; at_ms: number | null }>(
      db,
      `SELECT s.id, (SELECT ${atMs} FROM ${table} e WHERE e.student_id = s.id ORDER BY ${at} LIMIT 1) AS at_ms
       FROM students s WHERE s.owner_id = ? ${only === null ? '' : 'AND s.id = ?'}`,
      [userId, ...(only === null ? [] : [only])],
    );
    for (const { id, at_ms } of first)
      if (at_ms !== null && Number(at_ms) < untilMs) found.push({ studentId: id, atMs: Number(at_ms) });
  }
  return found;
}

/** An instructor's students, or one of them, and the first that was written of them where that was before a day. */
export async function findKept(
  db: Db,
  userId: string,
  olderThan: string,
  only: string | null = null,
): Promise<{ students: (KeptStudent & { name: string })[]; oldest: KeptEntry[] }> {
  return {
    students: await findKeptStudents(db, userId, only),
    oldest: await findFirst(db, userId, olderThan, only),
  };
}

/** What was written of students before a day; by events_age, readings_student and home_entries_student. */
async function findOlder<Row extends object>(
  db: Db,
  table: EntryTable,
  studentIds: readonly string[],
  { day, told, grouped = '' }: { day: string; told: string; grouped?: string },
): Promise<Row[]> {
  if (studentIds.length === 0) return [];
  return rows<Row>(
    db,
    `SELECT ${told} FROM ${table} e WHERE e.student_id IN (?) AND ${MADE[table].at} < ? ${grouped}`,
    [studentIds, table === 'readings' ? day : Date.parse(`${day}T00:00:00Z`)],
  );
}

/** How much was written of some students before a day, day by day. */
export async function countOld(
  db: Db,
  studentIds: readonly string[],
  olderThan: string,
): Promise<KeptEntry[]> {
  const found: KeptEntry[] = [];
  for (const table of TABLES)
    for (const { student_id, day, count } of await findOlder<{
      student_id: string;
      day: number;
      count: number;
    }>(db, table, studentIds, {
      day: olderThan,
      told: `e.student_id, FLOOR(${MADE[table].atMs} / 86400000) AS day, COUNT(*) AS count`,
      grouped: 'GROUP BY e.student_id, day',
    }))
      found.push({ studentId: student_id, atMs: Number(day) * 86_400_000, count: Number(count) });
  return found;
}

/** Each entry of an instructor's students that was made before a day. */
export async function findOld(
  db: Db,
  userId: string,
  olderThan: string,
): Promise<{ of: EntryTable; id: string; atMs: number }[]> {
  const oldest = await findFirst(db, userId, olderThan, null);
  const studentIds = [...new Set(oldest.map(({ studentId }) => studentId))];
  const found: { of: EntryTable; id: string; atMs: number }[] = [];
  for (const table of TABLES) {
    const told = `e.id, ${MADE[table].atMs} AS at_ms`;
    const old = await findOlder<{ id: string; at_ms: number }>(db, table, studentIds, {
      day: olderThan,
      told,
    });
    found.push(...old.map(({ id, at_ms }) => ({ id, of: table, atMs: Number(at_ms) })));
  }
  return found;
}

/** Call it in a transaction. Uses the primary keys of readings and home_entries, and events_id. */
export async function deleteEntries(db: Db, table: EntryTable, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  if (table === 'events') {
    const of = await rows<{ id: string }>(
      db,
      'SELECT DISTINCT student_id AS id FROM events WHERE id IN (?) AND student_id IS NOT NULL',
      [ids],
    );
    await raiseRecords(
      db,
      of.map(({ id }) => id),
    );
  }
  await write(db, `DELETE FROM ${table} WHERE id IN (?)`, [ids]);
}

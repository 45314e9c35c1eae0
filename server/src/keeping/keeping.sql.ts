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

export interface KeptRecords {
  students: (KeptStudent & { name: string })[];
  entries: (KeptEntry & { of: EntryTable; id: string })[];
}

/**
 * An instructor's students, and of what was written of them the latest of each and all that is older than a day. Uses
 * students_owner, events_age, readings_student, home_entries_student and lesson_students_student.
 */
export async function findKept(db: Db, userId: string, olderThan: string): Promise<KeptRecords> {
  const students = await rows<{
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
       (SELECT MAX(e.at_ms) FROM events e WHERE e.student_id = s.id) AS last_ms,
       (SELECT MAX(r.taken_on) FROM readings r WHERE r.student_id = s.id) AS last_reading
     FROM students s WHERE s.owner_id = ?`,
    [userId],
  );
  const olderMs = Date.parse(`${olderThan}T00:00:00Z`);
  const old = await rows<{ id: string; student_id: string; at_ms: number; of: EntryTable }>(
    db,
    `SELECT e.id, e.student_id, e.at_ms, 'events' AS \`of\` FROM students s JOIN events e ON e.student_id = s.id
       WHERE s.owner_id = ? AND e.at_ms < ?
     UNION ALL
     SELECT r.id, r.student_id, DATEDIFF(r.taken_on, '1970-01-01') * 86400000, 'readings'
       FROM students s JOIN readings r ON r.student_id = s.id WHERE s.owner_id = ? AND r.taken_on < ?
     UNION ALL
     SELECT h.id, h.student_id, h.at_ms, 'home_entries'
       FROM students s JOIN home_entries h ON h.student_id = s.id WHERE s.owner_id = ? AND h.at_ms < ?`,
    [userId, olderMs, userId, olderThan, userId, olderMs],
  );
  return {
    students: students.map((row) => {
      const lastEntry =
        row.last_ms === null ? null : new Date(Number(row.last_ms)).toISOString().slice(0, 10);
      const came = [row.last_lesson_on, lastEntry, row.last_reading].filter((on) => on !== null).sort();
      return { id: row.id, name: row.name, addedOn: row.added_on, lastLessonOn: came.at(-1) ?? null };
    }),
    entries: old.map((row) => ({
      ...{ of: row.of, id: row.id, studentId: row.student_id, atMs: Number(row.at_ms) },
    })),
  };
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

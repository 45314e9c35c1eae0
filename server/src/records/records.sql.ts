import type { RecordColumns, Progress, StudentEffects } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { SEEN_STUDENTS } from '../students/students.sql';

/** What was made of one student's record. */
export interface MadeRecord {
  columns: RecordColumns;
  progress: Progress & { attempts: number };
  effects: StudentEffects & { named: string[] };
}

/** What was made of one student, from which number of his record and up to which entry. */
export interface MadeOf {
  id: string;
  no: number;
  newest: number;
  made: MadeRecord;
}

/** One part of it as JSON, with the number of the record; null where it is to be made. */
export interface FoundRecord {
  id: string;
  no: number;
  made: string | null;
}

/** Says that entries of these students came or went; call it in the transaction in which they do. By primary key. */
export async function raiseRecords(db: Db, studentIds: readonly string[]): Promise<void> {
  if (studentIds.length === 0) return;
  await write(db, 'UPDATE students SET record_no = record_no + 1 WHERE id IN (?) ORDER BY id', [studentIds]);
}

/**
 * Counts up the records of students of whom entries came without it, from a server of before that ran beside this one.
 * By primary keys and events_student.
 */
export async function raiseUncounted(db: Db): Promise<void> {
  await write(
    db,
    `UPDATE students s JOIN student_records r ON r.student_id = s.id AND r.record_no = s.record_no
     SET s.record_no = s.record_no + 1
     WHERE r.newest_seq < (SELECT MAX(e.seq) FROM events e WHERE e.student_id = s.id)`,
  );
}

/** How many entries there are of a student, and the newest of them. */
export interface RecordSize {
  entries: number;
  newest: number;
}

/** Of each of these students who has any entry; by events_student. */
export async function findSizes(db: Db, studentIds: readonly string[]): Promise<Map<string, RecordSize>> {
  if (studentIds.length === 0) return new Map();
  const found = await rows<{ id: string; entries: number; newest: number }>(
    db,
    `SELECT student_id AS id, COUNT(*) AS entries, MAX(seq) AS newest FROM events WHERE student_id IN (?)
       GROUP BY student_id`,
    [studentIds],
  );
  return new Map(
    found.map(({ id, entries, newest }) => [id, { entries: Number(entries), newest: Number(newest) }]),
  );
}

/**
 * One part of the records that a user may see, as they were made from the entries that are there now; by the indexes of
 * his students and primary keys.
 *
 * @param ids of these alone; null for all
 */
export async function findRecords(
  db: Db,
  userId: string,
  part: keyof MadeRecord,
  madeFrom: string,
  ids: readonly string[] | null,
): Promise<FoundRecord[]> {
  if (ids?.length === 0) return [];
  return rows<FoundRecord>(
    db,
    `SELECT s.id, s.record_no AS no, r.${part} AS made FROM (${SEEN_STUDENTS}) seen JOIN students s ON s.id = seen.id
       LEFT JOIN student_records r ON r.student_id = s.id AND r.record_no = s.record_no AND r.made_from = ?
     ${ids ? 'WHERE s.id IN (?)' : ''}`,
    [userId, userId, madeFrom, ...(ids ? [ids] : [])],
  );
}

/** Which students a user may see and how often their records changed, in a few letters; by the same indexes. */
export async function findPrint(db: Db, userId: string): Promise<string> {
  const [found] = await rows<{ print: string | null }>(
    db,
    `SELECT MD5(GROUP_CONCAT(s.id, ' ', s.record_no ORDER BY s.id)) AS print
     FROM (${SEEN_STUDENTS}) seen JOIN students s ON s.id = seen.id`,
    [userId, userId],
  );
  return found?.print ?? '';
}

/**
 * Puts what was made in the place of what was there; of a student who is gone by now nothing. Call it in a transaction.
 * By primary keys.
 */
export async function keepRecords(db: Db, madeFrom: string, records: readonly MadeOf[]): Promise<void> {
  const there = await rows<{ id: string }>(
    db,
    'SELECT id FROM students WHERE id IN (?) ORDER BY id LOCK IN SHARE MODE',
    [records.map(({ id }) => id)],
  );
  const values = records
    .filter(({ id }) => there.some((student) => student.id === id))
    .map(({ id, no, newest, made: { columns, progress, effects } }) => [
      ...[id, no, madeFrom, newest],
      ...[columns, progress, effects].map((part) => JSON.stringify(part)),
    ]);
  if (values.length === 0) return;
  await write(
    db,
    `INSERT INTO student_records (student_id, record_no, made_from, newest_seq, columns, progress, effects) VALUES ?
     ON DUPLICATE KEY UPDATE record_no = VALUES(record_no), made_from = VALUES(made_from), newest_seq = VALUES(newest_seq),
       columns = VALUES(columns), progress = VALUES(progress), effects = VALUES(effects)`,
    [values],
  );
}

import type { RecordColumns, Progress, StudentEffects } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

/** What was made of one student's record. */
export interface MadeRecord {
  columns: RecordColumns;
  progress: Progress;
  effects: StudentEffects & { named: string[] };
}

/** Says that entries of these students came or went; call it in the transaction in which they do. By primary key. */
export async function raiseRecords(db: Db, studentIds: readonly string[]): Promise<void> {
  if (studentIds.length === 0) return;
  await write(db, 'UPDATE students SET record_no = record_no + 1 WHERE id IN (?) ORDER BY id', [studentIds]);
}

/** Of these students those of whom there is nothing yet, or what is there is old, with their numbers; by primary keys. */
export async function findStale(
  db: Db,
  studentIds: readonly string[],
  madeFrom: string,
): Promise<{ id: string; no: number }[]> {
  if (studentIds.length === 0) return [];
  return rows(
    db,
    `SELECT s.id, s.record_no AS no FROM students s
       LEFT JOIN student_records r ON r.student_id = s.id AND r.record_no = s.record_no AND r.made_from = ?
     WHERE s.id IN (?) AND r.student_id IS NULL`,
    [madeFrom, studentIds],
  );
}

/** Puts what was made in the place of what was there; of a student who is gone by now nothing. By primary key. */
export async function keepRecord(
  db: Db,
  student: { id: string; no: number },
  madeFrom: string,
  { columns, progress, effects }: MadeRecord,
): Promise<void> {
  await write(
    db,
    `INSERT INTO student_records (student_id, record_no, made_from, columns, progress, effects)
     SELECT id, ?, ?, ?, ?, ? FROM students WHERE id = ?
     ON DUPLICATE KEY UPDATE record_no = VALUES(record_no), made_from = VALUES(made_from),
       columns = VALUES(columns), progress = VALUES(progress), effects = VALUES(effects)`,
    [student.no, madeFrom, ...[columns, progress, effects].map((part) => JSON.stringify(part)), student.id],
  );
}

/** One part of what was made of these students, by their ids; by primary key. */
export async function findMade<K extends keyof MadeRecord>(
  db: Db,
  part: K,
  studentIds: readonly string[],
): Promise<{ id: string; made: MadeRecord[K] }[]> {
  if (studentIds.length === 0) return [];
  const found = await rows<{ id: string; made: string }>(
    db,
    `SELECT student_id AS id, ${part} AS made FROM student_records WHERE student_id IN (?)`,
    [studentIds],
  );
  return found.map(({ id, made }) => ({ id, made: JSON.parse(made) as MadeRecord[K] }));
}

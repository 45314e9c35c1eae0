import { inShape, type SavedReading, shapeOf } from '@doceo/contract';
import type { Reading, TakenReading } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { SEEN_STUDENTS } from '../students/students.sql';

interface ReadingRow {
  id: string;
  student_id: string | null;
  taken_on: string;
  body: string;
  shape: number;
  mine: number;
}

/**
 * What the user measured, and what was measured of students given to him; latest first.
 *
 * Uses readings_owner, readings_student, students_owner and student_access_user.
 */
export async function findReadings(db: Db, userId: string): Promise<SavedReading[]> {
  const found = await rows<ReadingRow>(
    db,
    `SELECT r.id, r.student_id, r.taken_on, r.body, r.shape, r.owner_id = ? AS mine
     FROM (SELECT id FROM readings WHERE owner_id = ?
           UNION SELECT o.id FROM (${SEEN_STUDENTS}) s JOIN readings o ON o.student_id = s.id) seen
       JOIN readings r ON r.id = seen.id ORDER BY r.taken_on DESC, r.id`,
    [userId, userId, userId, userId],
  );
  return found.map((row) => ({ ...toReading(row), mine: Boolean(row.mine) }));
}

/** What was measured of a student, by whomever, latest first; uses readings_student. */
export async function findReadingsOfStudent(db: Db, studentId: string): Promise<TakenReading[]> {
  return (
    await rows<ReadingRow>(
      db,
      'SELECT id, student_id, taken_on, body, shape, 0 AS mine FROM readings WHERE student_id = ? ORDER BY taken_on DESC, id',
      [studentId],
    )
  ).map(toReading);
}

function toReading({ id, student_id, taken_on, body, shape }: ReadingRow): TakenReading {
  return {
    id,
    studentId: student_id,
    on: taken_on,
    reading: inShape('reading', shape, JSON.parse(body)) as Reading,
  };
}

/** The reading of this id and whose it is; null when there is none. */
export async function findReading(
  db: Db,
  id: string,
): Promise<{ ownerId: string; taken: TakenReading } | null> {
  const [found] = await rows<ReadingRow & { owner_id: string }>(
    db,
    'SELECT id, owner_id, student_id, taken_on, body, shape, 0 AS mine FROM readings WHERE id = ?',
    [id],
  );
  return found ? { ownerId: found.owner_id, taken: toReading(found) } : null;
}

/** Of these ids the ones that are taken, by whomever. */
export async function findReadingIds(db: Db, ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const found = await rows<{ id: string }>(db, 'SELECT id FROM readings WHERE id IN (?)', [ids]);
  return new Set(found.map(({ id }) => id));
}

export async function insertReading(db: Db, ownerId: string, taken: TakenReading): Promise<void> {
  await write(
    db,
    'INSERT INTO readings (id, owner_id, student_id, taken_on, body, shape) VALUES (?, ?, ?, ?, ?, ?)',
    [taken.id, ownerId, taken.studentId, taken.on, JSON.stringify(taken.reading), shapeOf('reading')],
  );
}

/** By primary key, owner only; false when there was none. */
export async function deleteReading(db: Db, ownerId: string, id: string): Promise<boolean> {
  return (await write(db, 'DELETE FROM readings WHERE id = ? AND owner_id = ?', [id, ownerId])) > 0;
}

import type { SavedReading } from '@doceo/contract';
import type { Reading, TakenReading } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

interface ReadingRow {
  id: string;
  student_id: string | null;
  taken_on: string;
  body: string;
  mine: number;
}

/**
 * What the user measured, and what was measured of students given to him; latest first.
 *
 * Uses readings_owner, readings_student and the keys of students and student_access.
 */
export async function findReadings(db: Db, userId: string): Promise<SavedReading[]> {
  const found = await rows<ReadingRow>(
    db,
    `SELECT r.id, r.student_id, r.taken_on, r.body, r.owner_id = ? AS mine FROM readings r
       WHERE r.owner_id = ?
         OR r.student_id IN (SELECT id FROM students WHERE owner_id = ?)
         OR r.student_id IN (SELECT student_id FROM student_access WHERE user_id = ?)
       ORDER BY r.taken_on DESC, r.id`,
    [userId, userId, userId, userId],
  );
  return found.map(({ id, student_id, taken_on, body, mine }) => ({
    id,
    studentId: student_id,
    on: taken_on,
    reading: JSON.parse(body) as Reading,
    mine: Boolean(mine),
  }));
}

/** Storing one twice stores it once. */
export async function insertReading(db: Db, ownerId: string, taken: TakenReading): Promise<void> {
  await write(
    db,
    'INSERT IGNORE INTO readings (id, owner_id, student_id, taken_on, body) VALUES (?, ?, ?, ?, ?)',
    [taken.id, ownerId, taken.studentId, taken.on, JSON.stringify(taken.reading)],
  );
}

/** By primary key, owner only; false when there was none. */
export async function deleteReading(db: Db, ownerId: string, id: string): Promise<boolean> {
  return (await write(db, 'DELETE FROM readings WHERE id = ? AND owner_id = ?', [id, ownerId])) > 0;
}

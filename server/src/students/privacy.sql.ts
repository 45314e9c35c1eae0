import type { DeletionEffect, Look, StudentFile } from '@doceo/contract';
import { noteDeleted } from '../backup/deletions.sql';
import { type Db, rows, write } from '../db/pool';
import { findOthersWith } from './access.sql';

/** Notes that somebody looked; the same person in the same hour is one look. */
export async function insertLook(
  db: Db,
  studentId: string,
  userId: string,
  what: Look['what'],
): Promise<void> {
  await write(
    db,
    "INSERT IGNORE INTO looks (student_id, user_id, what, hour) VALUES (?, ?, ?, DATE_FORMAT(UTC_TIMESTAMP(), '%Y-%m-%d %H:00:00'))",
    [studentId, userId, what],
  );
}

/** Who looked, latest first; by the primary key. */
export async function findLooks(db: Db, studentId: string): Promise<Look[]> {
  const found = await rows<{ name: string; what: Look['what']; hour: Date }>(
    db,
    'SELECT u.name, l.what, l.hour FROM looks l JOIN users u ON u.id = l.user_id WHERE l.student_id = ? ORDER BY l.hour DESC, u.name LIMIT 200',
    [studentId],
  );
  return found.map(({ name, what, hour }) => ({ who: name, what, hour: hour.toISOString() }));
}

/** What a deletion takes along; each count by the index on the student. */
export async function findDeletionEffect(
  db: Db,
  studentId: string,
  keeperId: string,
): Promise<DeletionEffect> {
  const [counts] = await rows<Record<Exclude<keyof DeletionEffect, 'others'>, number>>(
    db,
    `SELECT
       (SELECT COUNT(*) FROM events WHERE student_id = ?) AS events,
       (SELECT COUNT(*) FROM readings WHERE student_id = ?) AS readings,
       (SELECT COUNT(*) FROM lesson_students WHERE student_id = ?) AS lessons,
       (SELECT COUNT(*) FROM lesson_students s JOIN lessons l ON l.id = s.lesson_id
          WHERE s.student_id = ? AND l.starts_at > UTC_TIMESTAMP()) AS comingLessons,
       (SELECT COUNT(*) FROM course_students WHERE student_id = ?) AS courses,
       (SELECT COUNT(*) FROM rigs WHERE student_id = ?) AS rigs`,
    [studentId, studentId, studentId, studentId, studentId, studentId],
  );
  return {
    events: Number(counts?.events ?? 0),
    readings: Number(counts?.readings ?? 0),
    lessons: Number(counts?.lessons ?? 0),
    comingLessons: Number(counts?.comingLessons ?? 0),
    courses: Number(counts?.courses ?? 0),
    rigs: Number(counts?.rigs ?? 0),
    others: await findOthersWith(db, studentId, keeperId),
  };
}

/** Lessons a student was in or has records of, by date; uses lesson_students_student and events_student. */
export async function findLessonsOfStudent(db: Db, studentId: string): Promise<StudentFile['lessons']> {
  const found = await rows<{ id: string; title: string; water: string; starts_at: Date }>(
    db,
    `SELECT l.id, COALESCE(l.taken_title, l.plan_title, '-') AS title, COALESCE(l.taken_water, w.name, '-') AS water,
         l.starts_at
       FROM lessons l LEFT JOIN waters w ON w.id = l.water_id
       WHERE l.id IN (SELECT lesson_id FROM lesson_students WHERE student_id = ?
                      UNION SELECT lesson_id FROM events WHERE student_id = ?)
       ORDER BY l.starts_at, l.id`,
    [studentId, studentId],
  );
  return found.map(({ starts_at, ...lesson }) => ({ ...lesson, startsAt: starts_at.toISOString() }));
}

/** Events, readings, looks and places in lessons go with the student; rigs forget whose they were. */
export async function deleteStudent(db: Db, ownerId: string, id: string): Promise<boolean> {
  const isGone = (await write(db, 'DELETE FROM students WHERE id = ? AND owner_id = ?', [id, ownerId])) > 0;
  if (isGone) await noteDeleted(db, 'student', id);
  return isGone;
}

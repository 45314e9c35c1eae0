import type { Along, FellowInstructor } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';
import { OPEN_ACCESS } from '../students/access.sql';
import { findHelpers, letSeeByLessons } from './seen-by-lesson.sql';

/** Fellows of whose lesson it is, and whether they teach elsewhere in its hours; by the keys of circle_members and lessons_owner. */
export async function findFellowInstructors(db: Db, lessonId: string): Promise<FellowInstructor[]> {
  const meets = `o.id <> l.id AND o.taken_title IS NULL AND o.starts_at < l.starts_at + INTERVAL l.length_min MINUTE
    AND o.starts_at + INTERVAL o.length_min MINUTE > l.starts_at`;
  const found = await rows<{ id: string; name: string; is_taken: number }>(
    db,
    `SELECT DISTINCT u.id, u.name,
       EXISTS (SELECT 1 FROM lessons o WHERE o.owner_id = u.id AND ${meets})
       OR EXISTS (SELECT 1 FROM lesson_instructors i JOIN lessons o ON o.id = i.lesson_id
                  WHERE i.user_id = u.id AND ${meets}) AS is_taken
     FROM lessons l JOIN circle_members mine ON mine.user_id = l.owner_id
       JOIN circle_members m ON m.circle_id = mine.circle_id AND m.user_id <> l.owner_id
       JOIN users u ON u.id = m.user_id AND u.blocked_at IS NULL
     WHERE l.id = ? ORDER BY u.name, u.id`,
    [lessonId],
  );
  return found.map(({ id, name, is_taken }) => ({ userId: id, name, isTaken: Boolean(is_taken) }));
}

/** Says who teaches along and whom each has, and lets them see the students. Lock the lesson before. */
export async function setInstructors(
  db: Db,
  lessonId: string,
  instructors: Along['instructors'],
): Promise<void> {
  const before = await findHelpers(db, lessonId);
  await write(db, 'DELETE FROM lesson_instructors WHERE lesson_id = ?', [lessonId]);
  await write(db, 'UPDATE lesson_students SET instructor_id = NULL WHERE lesson_id = ?', [lessonId]);
  for (const { userId, studentIds } of instructors) {
    await write(db, 'INSERT INTO lesson_instructors (lesson_id, user_id) VALUES (?, ?)', [lessonId, userId]);
    if (studentIds.length > 0)
      await write(
        db,
        'UPDATE lesson_students SET instructor_id = ? WHERE lesson_id = ? AND student_id IN (?)',
        [userId, lessonId, studentIds],
      );
  }
  await letSeeByLessons(db, [...new Set([...before, ...instructors.map(({ userId }) => userId)])]);
}

/** Somebody teaches along no more; those he had are with whose lesson it is. */
export async function leaveLesson(db: Db, lessonId: string, userId: string): Promise<void> {
  await write(
    db,
    'UPDATE lesson_students SET instructor_id = NULL WHERE lesson_id = ? AND instructor_id = ?',
    [lessonId, userId],
  );
  await write(db, 'DELETE FROM lesson_instructors WHERE lesson_id = ? AND user_id = ?', [lessonId, userId]);
  await letSeeByLessons(db, [userId]);
}

/** Those who are in no circle together any more teach no lesson to come together; uses lesson_instructors_user and lessons_owner. */
export async function leaveLessonsOfStrangers(db: Db, userId: string): Promise<void> {
  const parted = await rows<{ lesson_id: string; user_id: string }>(
    db,
    `SELECT i.lesson_id, i.user_id FROM lesson_instructors i JOIN lessons l ON l.id = i.lesson_id
     WHERE (i.user_id = ? OR l.owner_id = ?) AND l.starts_at > UTC_TIMESTAMP(3)
       AND NOT EXISTS (SELECT 1 FROM circle_members a JOIN circle_members b ON b.circle_id = a.circle_id
                       WHERE a.user_id = i.user_id AND b.user_id = l.owner_id)`,
    [userId, userId],
  );
  for (const { lesson_id, user_id } of parted) await leaveLesson(db, lesson_id, user_id);
}

/** Of a lesson the students whom somebody who teaches along may not see: they are neither his, nor of whose lesson it is. */
export async function findUnseen(
  db: Db,
  lessonId: string,
): Promise<{ studentId: string; student: string; userId: string; instructor: string }[]> {
  return rows(
    db,
    `SELECT t.id AS studentId, t.name AS student, u.id AS userId, u.name AS instructor
     FROM lesson_instructors i JOIN users u ON u.id = i.user_id JOIN lesson_students s ON s.lesson_id = i.lesson_id
       JOIN students t ON t.id = s.student_id
       LEFT JOIN student_access a ON a.student_id = t.id AND a.user_id = u.id AND ${OPEN_ACCESS}
     WHERE i.lesson_id = ? AND t.owner_id <> u.id AND a.user_id IS NULL ORDER BY s.lane, u.name`,
    [lessonId],
  );
}

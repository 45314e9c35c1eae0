import { ALONG_DAYS, ASSIST_LATE_HOURS } from '@doceo/contract';
import { ASSIST_UNTIL } from '../assistants/assist-until';
import { type Db, rows, write } from '../db/pool';

/**
 * Whom somebody sees through which lesson, and until which day: who teaches along sees those students whom the keeper of
 * the lesson has himself, who helps sees all of its students.
 *
 * @param where a condition on the columns of student and user
 */
const seen = (where: (student: string, user: string) => string): string => `(
  SELECT s.student_id, i.user_id, l.id AS lesson_id, l.plan_title, l.starts_at,
    DATE(l.starts_at + INTERVAL l.length_min MINUTE + INTERVAL ${ALONG_DAYS} DAY) AS until_on
  FROM lesson_instructors i JOIN lessons l ON l.id = i.lesson_id JOIN lesson_students s ON s.lesson_id = l.id
    JOIN students t ON t.id = s.student_id AND t.owner_id = l.owner_id
  WHERE ${where('s.student_id', 'i.user_id')}
  UNION ALL
  SELECT s.student_id, u.id, l.id, l.plan_title, l.starts_at,
    DATE(${ASSIST_UNTIL} + INTERVAL ${ASSIST_LATE_HOURS} HOUR)
  FROM users u JOIN lessons l ON l.id = u.assists_lesson_id JOIN lesson_students s ON s.lesson_id = l.id
  WHERE ${where('s.student_id', 'u.id')}) seen`;

/** The last lesson through which a user sees a student; null for none. Uses lesson_instructors_user and users_assists. */
export async function findLessonGiving(
  db: Db,
  studentId: string,
  userId: string,
): Promise<{ id: string; title: string } | null> {
  const [found] = await rows<{ lesson_id: string; plan_title: string | null }>(
    db,
    `SELECT lesson_id, plan_title FROM ${seen((student, user) => `${student} = ? AND ${user} = ?`)}
     ORDER BY starts_at DESC, lesson_id LIMIT 1`,
    [studentId, userId, studentId, userId],
  );
  return found ? { id: found.lesson_id, title: found.plan_title ?? '' } : null;
}

/** Who teaches along or helps in a lesson. */
export async function findHelpers(db: Db, lessonId: string): Promise<string[]> {
  const found = await rows<{ id: string }>(
    db,
    'SELECT user_id AS id FROM lesson_instructors WHERE lesson_id = ? UNION SELECT id FROM users WHERE assists_lesson_id = ?',
    [lessonId, lessonId],
  );
  return found.map(({ id }) => id);
}

/** Who sees a student through a lesson; by the key of student_access. */
export async function findSeersByLesson(db: Db, studentId: string): Promise<string[]> {
  const found = await rows<{ user_id: string }>(
    db,
    'SELECT user_id FROM student_access WHERE student_id = ? AND lesson_until IS NOT NULL',
    [studentId],
  );
  return found.map(({ user_id }) => user_id);
}

/**
 * Lets these users see whom their lessons give them, and nobody else through a lesson; what was given by name stays. Call
 * it when lessons, their students, or who teaches and helps in them change. Uses student_access_user.
 */
export async function letSeeByLessons(db: Db, userIds: readonly string[]): Promise<void> {
  if (userIds.length === 0) return;
  const ofThem = seen((_student, user) => `${user} IN (?)`);
  await write(
    db,
    `INSERT INTO student_access (student_id, user_id, by_name, lesson_until)
     SELECT student_id, user_id, FALSE, MAX(until_on) FROM ${ofThem} GROUP BY student_id, user_id
     ON DUPLICATE KEY UPDATE
       given_at = IF(by_name OR lesson_until >= UTC_DATE(), given_at, UTC_TIMESTAMP(3)),
       lesson_until = VALUES(lesson_until)`,
    [userIds, userIds],
  );
  await write(
    db,
    `UPDATE student_access a LEFT JOIN ${ofThem} ON seen.student_id = a.student_id AND seen.user_id = a.user_id
     SET a.lesson_until = NULL WHERE a.user_id IN (?) AND a.lesson_until IS NOT NULL AND seen.user_id IS NULL`,
    [userIds, userIds, userIds],
  );
  await write(
    db,
    'DELETE FROM student_access WHERE user_id IN (?) AND NOT by_name AND lesson_until IS NULL',
    [userIds],
  );
}

import type { IncomingStudent, StudentAccess } from '@doceo/contract';
import { randomUUID } from 'node:crypto';
import { type Db, rows, write } from '../db/pool';
import { findLessonGiving, findSeersByLesson, letSeeByLessons } from '../lessons/seen-by-lesson.sql';

/** Whether a row `a` of student_access counts today for being given by name. */
const OPEN_BY_NAME = '(a.by_name AND (a.until_on IS NULL OR a.until_on >= UTC_DATE()))';
/** What makes a row `a` of student_access count today: given by name, or through a lesson. */
export const OPEN_ACCESS = `(${OPEN_BY_NAME} OR a.lesson_until >= UTC_DATE())`;

interface SeerRow {
  user_id: string;
  name: string;
  given_at: Date;
  until_on: string | null;
  by_name: number;
}

/** Who may see a record of this keeper, and who could be let; by primary key and the keys of circle_members. */
export async function findAccess(db: Db, studentId: string, keeperId: string): Promise<StudentAccess> {
  const people = await rows<SeerRow>(
    db,
    `SELECT a.user_id, u.name, a.given_at, ${OPEN_BY_NAME} AS by_name,
       IF(${OPEN_BY_NAME}, a.until_on, a.lesson_until) AS until_on
     FROM student_access a JOIN users u ON u.id = a.user_id
     WHERE a.student_id = ? AND ${OPEN_ACCESS} ORDER BY u.name, u.id`,
    [studentId],
  );
  const lessons = await Promise.all(
    people.map(async ({ user_id, by_name }) => (by_name ? null : findLessonGiving(db, studentId, user_id))),
  );
  const fellows = await rows<{ id: string; name: string }>(
    db,
    `SELECT DISTINCT u.id, u.name FROM circle_members mine JOIN circle_members m ON m.circle_id = mine.circle_id
       JOIN users u ON u.id = m.user_id AND u.blocked_at IS NULL
     WHERE mine.user_id = ? AND m.user_id <> ? ORDER BY u.name, u.id`,
    [keeperId, keeperId],
  );
  const moves = await rows<{
    to_id: string | null;
    to_name: string | null;
    from_name: string | null;
    consent_by: string;
    consent_on: string;
    offered_at: Date;
    answered_at: Date | null;
    taken: number | null;
  }>(
    db,
    `SELECT h.to_id, t.name AS to_name, f.name AS from_name, h.consent_by, h.consent_on, h.offered_at, h.answered_at,
       h.taken FROM student_handovers h LEFT JOIN users t ON t.id = h.to_id LEFT JOIN users f ON f.id = h.from_id
     WHERE h.student_id = ? ORDER BY h.offered_at DESC, h.id`,
    [studentId],
  );
  const open = moves.find(({ answered_at, to_id }) => answered_at === null && to_id !== null);
  const given = new Set(people.map(({ user_id }) => user_id));
  return {
    people: people.map(({ user_id, name, given_at, until_on }, i) => ({
      ...{ userId: user_id, name, since: given_at.toISOString(), untilOn: until_on },
      lesson: lessons[i] ?? null,
    })),
    fellows: fellows.filter(({ id }) => !given.has(id)).map(({ id, name }) => ({ userId: id, name })),
    handOver: open?.to_id
      ? {
          userId: open.to_id,
          name: open.to_name ?? '',
          consentBy: open.consent_by,
          consentOn: open.consent_on,
          at: open.offered_at.toISOString(),
        }
      : null,
    before: moves
      .filter(({ taken }) => taken)
      .map(({ from_name, consent_by, consent_on }) => ({
        from: from_name ?? 'somebody who left',
        consentBy: consent_by,
        consentOn: consent_on,
      })),
  };
}

/** Whether two are in a circle together; by the keys of circle_members. */
export async function areFellows(db: Db, userId: string, otherId: string): Promise<boolean> {
  return (
    (
      await rows(
        db,
        `SELECT m.user_id FROM circle_members mine JOIN circle_members m ON m.circle_id = mine.circle_id
         WHERE mine.user_id = ? AND m.user_id = ? AND m.user_id <> mine.user_id LIMIT 1`,
        [userId, otherId],
      )
    ).length > 0
  );
}

/** Lets somebody see a record until a day, or until it is ended; whoever may already keeps since when. */
export async function giveAccess(
  db: Db,
  studentId: string,
  userId: string,
  untilOn: string | null = null,
): Promise<void> {
  await write(
    db,
    `INSERT INTO student_access (student_id, user_id, until_on) VALUES (?, ?, ?)
     ON DUPLICATE KEY UPDATE
       given_at = IF(${OPEN_ACCESS.replaceAll('a.', '')}, given_at, UTC_TIMESTAMP(3)),
       by_name = TRUE, until_on = VALUES(until_on)`,
    [studentId, userId, untilOn],
  );
}

/** Ends what was given by name; what somebody sees through a lesson ends there. False when nothing was given. */
export async function endAccess(db: Db, studentId: string, userId: string): Promise<boolean> {
  const ended = await write(
    db,
    'UPDATE student_access SET by_name = FALSE, until_on = NULL WHERE student_id = ? AND user_id = ? AND by_name',
    [studentId, userId],
  );
  await write(
    db,
    'DELETE FROM student_access WHERE student_id = ? AND NOT by_name AND lesson_until IS NULL',
    [studentId],
  );
  return ended > 0;
}

/** Offers a student to somebody; an earlier offer that is open is replaced. */
export async function offerStudent(
  db: Db,
  offer: { studentId: string; fromId: string; toId: string; consentBy: string; consentOn: string },
): Promise<void> {
  await withdrawStudent(db, offer.studentId);
  await write(
    db,
    'INSERT INTO student_handovers (id, student_id, from_id, to_id, consent_by, consent_on) VALUES (?, ?, ?, ?, ?, ?)',
    [randomUUID(), offer.studentId, offer.fromId, offer.toId, offer.consentBy, offer.consentOn],
  );
}

/** False when none was open. Uses student_handovers_student. */
export async function withdrawStudent(db: Db, studentId: string): Promise<boolean> {
  return (
    (await write(db, 'DELETE FROM student_handovers WHERE student_id = ? AND answered_at IS NULL', [
      studentId,
    ])) > 0
  );
}

/** Students whom others want to hand over to somebody, latest first; uses student_handovers_to. */
export async function findIncoming(db: Db, userId: string): Promise<IncomingStudent[]> {
  const found = await rows<{
    student_id: string;
    name: string;
    from_name: string | null;
    consent_by: string;
    consent_on: string;
    offered_at: Date;
  }>(
    db,
    `SELECT h.student_id, s.name, f.name AS from_name, h.consent_by, h.consent_on, h.offered_at
     FROM student_handovers h JOIN students s ON s.id = h.student_id AND s.owner_id = h.from_id
       LEFT JOIN users f ON f.id = h.from_id
     WHERE h.to_id = ? AND h.answered_at IS NULL ORDER BY h.offered_at DESC, h.id`,
    [userId],
  );
  return found.map(({ student_id, name, from_name, consent_by, consent_on, offered_at }) => ({
    studentId: student_id,
    name,
    from: from_name ?? '',
    consentBy: consent_by,
    consentOn: consent_on,
    at: offered_at.toISOString(),
  }));
}

/**
 * Answers the open offer of a student. With a yes the record is the other's: the student is taken out of the lessons to
 * come and the courses of who had him; what was taught stays where it was, and readings go along.
 *
 * @returns who had him, null when no offer is open to this user
 */
export async function answerStudent(
  db: Db,
  studentId: string,
  userId: string,
  accept: boolean,
): Promise<string | null> {
  const [offer] = await rows<{ id: string; from_id: string }>(
    db,
    `SELECT h.id, h.from_id FROM student_handovers h JOIN students s ON s.id = h.student_id AND s.owner_id = h.from_id
     WHERE h.student_id = ? AND h.to_id = ? AND h.answered_at IS NULL FOR UPDATE`,
    [studentId, userId],
  );
  if (!offer) return null;
  await write(db, 'UPDATE student_handovers SET answered_at = UTC_TIMESTAMP(3), taken = ? WHERE id = ?', [
    accept,
    offer.id,
  ]);
  if (!accept) return offer.from_id;
  await write(db, 'UPDATE students SET owner_id = ? WHERE id = ?', [userId, studentId]);
  await write(db, 'DELETE FROM student_access WHERE student_id = ? AND user_id = ?', [studentId, userId]);
  await write(db, 'UPDATE readings SET owner_id = ? WHERE student_id = ? AND owner_id = ?', [
    userId,
    studentId,
    offer.from_id,
  ]);
  await write(db, 'UPDATE rigs SET student_id = NULL WHERE student_id = ? AND owner_id = ?', [
    studentId,
    offer.from_id,
  ]);
  await write(
    db,
    `DELETE c FROM course_students c JOIN courses k ON k.id = c.course_id WHERE c.student_id = ? AND k.owner_id = ?`,
    [studentId, offer.from_id],
  );
  await leaveComingLessons(db, studentId, offer.from_id);
  await letSeeByLessons(db, await findSeersByLesson(db, studentId));
  return offer.from_id;
}

/** Takes a student out of somebody's lessons that are still to come; uses lesson_students_student. */
export async function leaveComingLessons(db: Db, studentId: string, ownerId: string): Promise<void> {
  await write(
    db,
    `DELETE s FROM lesson_students s JOIN lessons l ON l.id = s.lesson_id
     WHERE s.student_id = ? AND l.owner_id = ? AND l.starts_at > UTC_TIMESTAMP(3)`,
    [studentId, ownerId],
  );
}

/** Names of those who lose something when a student goes: who may see him, and who taught him. */
export async function findOthersWith(db: Db, studentId: string, keeperId: string): Promise<string[]> {
  const found = await rows<{ name: string }>(
    db,
    `SELECT DISTINCT u.name FROM users u WHERE u.id <> ? AND (
       u.id IN (SELECT a.user_id FROM student_access a WHERE a.student_id = ? AND ${OPEN_ACCESS})
       OR u.id IN (SELECT l.owner_id FROM lesson_students s JOIN lessons l ON l.id = s.lesson_id WHERE s.student_id = ?)
     ) ORDER BY u.name`,
    [keeperId, studentId, studentId],
  );
  return found.map(({ name }) => name);
}

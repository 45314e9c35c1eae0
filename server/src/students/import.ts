import { randomUUID } from 'node:crypto';
import { ageOn, type StudentFile } from '@doceo/contract';
import { mayBeRecorded, type BankEvent, MAX_GROUP } from '@doceo/core';
import { findEventLessons, insertEvents } from '../events/events.sql';
import { type Db, rows, write } from '../db/pool';
import { HttpError } from '../http/errors';
import { findReadingIds, insertReading } from '../readings/readings.sql';
import { OPEN_ACCESS } from './access.sql';
import { insertStudent } from './students.sql';

/** Entries stored with one statement. */
const BATCH = 250;

/**
 * Takes in a student with the whole record; call it in a transaction. Ids that are taken here by somebody else's are
 * made anew, and everything that names them follows. Lessons of the importer's own that are still
 * there, and not full, are used again.
 *
 * @returns the student's id here
 * @throws HttpError 'already-exists' when the student is here, 'invalid' for a minor without a guardian's consent
 */
export async function importStudent(
  db: Db,
  userId: string,
  file: StudentFile,
  today: string,
): Promise<string> {
  const { id, ...student } = file.student;
  if (!mayBeRecorded(ageOn(student.bornOn, today), student.saidAdult, student.guardianConsentOn !== null))
    throw new HttpError('invalid', [
      {
        path: 'student.guardianConsentOn',
        code: 'no-consent',
        message: 'A minor’s record is kept only with a guardian’s consent on file.',
      },
    ]);
  const [there] = await rows<{ mine: number }>(
    db,
    `SELECT owner_id = ? OR EXISTS (SELECT 1 FROM student_access a WHERE a.student_id = s.id AND a.user_id = ?
       AND ${OPEN_ACCESS}) AS mine FROM students s WHERE id = ?`,
    [userId, userId, id],
  );
  if (there?.mine) throw new HttpError('already-exists', [], `${student.name} is here already.`);
  const studentId = there ? randomUUID() : id;
  await insertStudent(db, userId, studentId, student);
  const lessonIds = await placeLessons(db, userId, studentId, file.lessons);
  const events = await renamed(db, file.events, studentId, lessonIds);
  for (let from = 0; from < events.length; from += BATCH)
    await insertEvents(db, userId, events.slice(from, from + BATCH));
  const taken = await findReadingIds(
    db,
    file.readings.map((reading) => reading.id),
  );
  for (const reading of file.readings)
    await insertReading(db, userId, {
      ...reading,
      id: taken.has(reading.id) ? randomUUID() : reading.id,
      studentId,
    });
  return studentId;
}

/** Lessons of the file in this installation, by their id in the file. */
async function placeLessons(
  db: Db,
  userId: string,
  studentId: string,
  lessons: StudentFile['lessons'],
): Promise<Map<string, string>> {
  if (lessons.length === 0) return new Map();
  const found = await rows<{ id: string; owner_id: string; taken: number; students: number }>(
    db,
    `SELECT l.id, l.owner_id, l.taken_title IS NOT NULL AS taken,
       (SELECT COUNT(*) FROM lesson_students s WHERE s.lesson_id = l.id) AS students
     FROM lessons l WHERE l.id IN (?) FOR UPDATE`,
    [lessons.map(({ id }) => id)],
  );
  const here = new Map(found.map((lesson) => [lesson.id, lesson]));
  const places = new Map<string, string>();
  for (const { id, title, water, startsAt } of lessons) {
    const there = here.get(id);
    const again = there?.owner_id === userId && (Boolean(there.taken) || there.students < MAX_GROUP);
    const place = !there || again ? id : randomUUID();
    places.set(id, place);
    if (!again)
      await write(
        db,
        'INSERT INTO lessons (id, owner_id, starts_at, taken_title, taken_water) VALUES (?, ?, ?, ?, ?)',
        [place, userId, new Date(startsAt), title, water],
      );
    await write(
      db,
      `INSERT INTO lesson_students (lesson_id, student_id, lane)
         SELECT ?, ?, COALESCE(MAX(lane) + 1, 0) FROM lesson_students WHERE lesson_id = ?`,
      [place, studentId, place],
    );
  }
  return places;
}

/** The events as they are stored here; when one id is taken, all are made anew. */
async function renamed(
  db: Db,
  events: readonly BankEvent[],
  studentId: string,
  lessonIds: ReadonlyMap<string, string>,
): Promise<BankEvent[]> {
  let isTaken = false;
  for (let from = 0; from < events.length && !isTaken; from += BATCH)
    isTaken =
      (
        await findEventLessons(
          db,
          events.slice(from, from + BATCH).map(({ id }) => id),
        )
      ).size > 0;
  const ids = new Map(events.map(({ id }) => [id, isTaken ? randomUUID() : id]));
  return events.map((event) => ({
    ...event,
    id: ids.get(event.id) ?? event.id,
    studentId,
    lessonId: lessonIds.get(event.lessonId) ?? event.lessonId,
    body: bodyWith(event.body, ids),
  }));
}

function bodyWith(body: BankEvent['body'], ids: ReadonlyMap<string, string>): BankEvent['body'] {
  if (body.kind === 'undo') return { ...body, targetId: ids.get(body.targetId) ?? body.targetId };
  if (body.kind === 'note' && body.aboutId)
    return { ...body, aboutId: ids.get(body.aboutId) ?? body.aboutId };
  return body;
}

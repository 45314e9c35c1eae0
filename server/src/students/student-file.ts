import {
  type SavedStudent,
  STUDENT_FILE_FORMAT,
  STUDENT_FILE_VERSION,
  type StudentFile,
} from '@doceo/contract';
import { findCoursesOfStudent } from '../courses/courses.sql';
import type { Db } from '../db/pool';
import { findEventsOfStudent } from '../events/events.sql';
import { findReadingsOfStudent } from '../readings/readings.sql';
import { findConsents } from '../consents/consents.sql';
import { findWaiting } from '../pages/pages.sql';
import { findLessonsOfStudent, insertLook } from './privacy.sql';

/** Everything there is about one student. */
export async function studentFile(
  db: Db,
  { id, student }: Pick<SavedStudent, 'id' | 'student'>,
): Promise<StudentFile> {
  return {
    format: STUDENT_FILE_FORMAT,
    version: STUDENT_FILE_VERSION,
    writtenAt: new Date().toISOString(),
    student: { id, ...student },
    lessons: await findLessonsOfStudent(db, id),
    courses: await findCoursesOfStudent(db, id),
    events: await findEventsOfStudent(db, id),
    readings: await findReadingsOfStudent(db, id),
    atHome: (await findWaiting(db, id)).map(({ id: entryId, atMs, body }) => ({ id: entryId, atMs, body })),
    consents: (await findConsents(db, id)).map(({ state, askedAt, byName, answeredAt, takenBackAt }) => ({
      ...{ state, askedAt, byName, answeredAt, takenBackAt },
    })),
  };
}

/** The same for an instructor, who has looked by taking it. */
export async function takenStudentFile(db: Db, userId: string, saved: SavedStudent): Promise<StudentFile> {
  await insertLook(db, saved.id, userId, 'export');
  return studentFile(db, saved);
}

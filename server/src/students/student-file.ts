import {
  type SavedStudent,
  STUDENT_FILE_FORMAT,
  STUDENT_FILE_VERSION,
  type StudentFile,
} from '@doceo/contract';
import { findCoursesOfStudent } from '../courses/courses.sql';
import type { Db } from '../db/pool';
import { findEventsOfStudents } from '../events/events.sql';
import { findReadingsOfStudent } from '../readings/readings.sql';
import { findLessonsOfStudent, insertLook } from './privacy.sql';

/** Everything there is about one student; whoever takes it has looked. */
export async function studentFile(
  db: Db,
  userId: string,
  { id, student }: SavedStudent,
): Promise<StudentFile> {
  await insertLook(db, id, userId, 'export');
  return {
    format: STUDENT_FILE_FORMAT,
    version: STUDENT_FILE_VERSION,
    writtenAt: new Date().toISOString(),
    student: { id, ...student },
    lessons: await findLessonsOfStudent(db, id),
    courses: await findCoursesOfStudent(db, id),
    events: await findEventsOfStudents(db, [id]),
    readings: await findReadingsOfStudent(db, id),
  };
}

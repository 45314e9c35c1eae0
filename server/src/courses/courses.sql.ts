import type { Course, SavedCourse, StudentFile } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

interface CourseRow {
  id: string;
  name: string;
  from_on: string;
  until_on: string;
  goals: string;
  student_ids: string | null;
}

const SELECT = `SELECT c.id, c.name, c.from_on, c.until_on, c.goals,
    (SELECT GROUP_CONCAT(s.student_id ORDER BY s.place, s.student_id SEPARATOR ',') FROM course_students s WHERE s.course_id = c.id) AS student_ids
  FROM courses c`;

function toCourse(row: CourseRow): SavedCourse {
  return {
    id: row.id,
    course: {
      name: row.name,
      fromOn: row.from_on,
      untilOn: row.until_on,
      goals: JSON.parse(row.goals) as string[],
      studentIds: row.student_ids?.split(',') ?? [],
    },
  };
}

/** Courses of one instructor, the last to end first; uses courses_owner. */
export async function findCourses(db: Db, ownerId: string): Promise<SavedCourse[]> {
  const found = await rows<CourseRow>(
    db,
    `${SELECT} WHERE c.owner_id = ? ORDER BY c.until_on DESC, c.name, c.id`,
    [ownerId],
  );
  return found.map(toCourse);
}

/** By primary key; null when there is none of this owner. */
export async function findCourse(db: Db, ownerId: string, id: string): Promise<SavedCourse | null> {
  const [found] = await rows<CourseRow>(db, `${SELECT} WHERE c.id = ? AND c.owner_id = ?`, [id, ownerId]);
  return found ? toCourse(found) : null;
}

export async function insertCourse(db: Db, ownerId: string, id: string, course: Course): Promise<void> {
  await write(
    db,
    'INSERT INTO courses (id, owner_id, name, from_on, until_on, goals) VALUES (?, ?, ?, ?, ?, ?)',
    [id, ownerId, course.name, course.fromOn, course.untilOn, JSON.stringify(course.goals)],
  );
  await insertStudents(db, id, course.studentIds);
}

/** By primary key, in a transaction: who takes part is written anew. */
export async function updateCourse(db: Db, id: string, course: Course): Promise<void> {
  await write(db, 'UPDATE courses SET name = ?, from_on = ?, until_on = ?, goals = ? WHERE id = ?', [
    course.name,
    course.fromOn,
    course.untilOn,
    JSON.stringify(course.goals),
    id,
  ]);
  await write(db, 'DELETE FROM course_students WHERE course_id = ?', [id]);
  await insertStudents(db, id, course.studentIds);
}

export async function deleteCourse(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM courses WHERE id = ?', [id]);
}

/** Keeps a course as it is until the transaction ends. */
export async function lockCourse(db: Db, id: string): Promise<void> {
  await rows(db, 'SELECT id FROM courses WHERE id = ? FOR UPDATE', [id]);
}

/** Courses a student is in, by their end; uses course_students_student. */
export async function findCoursesOfStudent(
  db: Db,
  studentId: string,
): Promise<NonNullable<StudentFile['courses']>> {
  const found = await rows<Omit<CourseRow, 'student_ids'>>(
    db,
    `SELECT c.id, c.name, c.from_on, c.until_on, c.goals FROM course_students s JOIN courses c ON c.id = s.course_id
     WHERE s.student_id = ? ORDER BY c.until_on, c.id`,
    [studentId],
  );
  return found.map((row) => {
    const { name, fromOn, untilOn, goals } = toCourse({ ...row, student_ids: null }).course;
    return { name, fromOn, untilOn, goals };
  });
}

async function insertStudents(db: Db, id: string, studentIds: readonly string[]): Promise<void> {
  if (studentIds.length === 0) return;
  await write(db, 'INSERT INTO course_students (course_id, student_id, place) VALUES ?', [
    studentIds.map((studentId, place) => [id, studentId, place]),
  ]);
}

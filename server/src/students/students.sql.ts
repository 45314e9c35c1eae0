import { MAX_LISTED_STUDENTS, type SavedStudent, type Student, type StudentQuery } from '@doceo/contract';
import { noteBack } from '../backup/deletions.sql';
import { type Db, rows, write } from '../db/pool';
import { OPEN_ACCESS } from './access.sql';

interface StudentRow {
  id: string;
  name: string;
  born_on: string | null;
  said_adult: number;
  hand: Student['hand'];
  height_m: number | null;
  needs: string;
  note: string;
  guardian_name: string;
  guardian_contact: string;
  guardian_consent_on: string | null;
  mine: number;
}

const SELECT = `SELECT s.id, s.name, s.born_on, s.said_adult, s.hand, s.height_m, s.needs, s.note, s.guardian_name, s.guardian_contact, s.guardian_consent_on, s.owner_id = ? AS mine FROM students s`;
/** The ids of a user's students and of those given to him: each part by an index, where an OR would look at all there are. */
export const SEEN_STUDENTS = `SELECT id FROM students WHERE owner_id = ?
  UNION SELECT a.student_id FROM student_access a WHERE a.user_id = ? AND ${OPEN_ACCESS}`;

function toStudent(row: StudentRow): SavedStudent {
  return {
    id: row.id,
    mine: Boolean(row.mine),
    student: {
      name: row.name,
      bornOn: row.born_on,
      saidAdult: Boolean(row.said_adult),
      hand: row.hand,
      heightM: row.height_m === null ? null : Number(row.height_m),
      needs: JSON.parse(row.needs) as Student['needs'],
      note: row.note,
      guardianName: row.guardian_name,
      guardianContact: row.guardian_contact,
      guardianConsentOn: row.guardian_consent_on,
    },
  };
}

function values(student: Student): unknown[] {
  return [
    student.name,
    student.bornOn,
    student.saidAdult,
    student.hand,
    student.heightM,
    JSON.stringify(student.needs),
    student.note,
    student.guardianName,
    student.guardianContact,
    student.guardianConsentOn,
  ];
}

/**
 * A page of the same, by name, from the start or after somebody: his own are read in the order of students_owner as far as
 * the page goes, those given to him by student_access_user.
 */
export async function findStudentsPage(
  db: Db,
  userId: string,
  { afterName, afterId }: StudentQuery,
): Promise<SavedStudent[]> {
  const on = afterId === undefined ? '' : ' AND s.name >= ? AND (s.name > ? OR s.id > ?)';
  const params = afterId === undefined ? [] : [afterName, afterName, afterId];
  const page = 'ORDER BY name, id LIMIT ?';
  const found = await rows<StudentRow>(
    db,
    `${SELECT} JOIN (
       (SELECT s.id, s.name FROM students s WHERE s.owner_id = ?${on} ${page})
       UNION (SELECT s.id, s.name FROM student_access a JOIN students s ON s.id = a.student_id
              WHERE a.user_id = ? AND ${OPEN_ACCESS}${on} ${page})
       ${page}) seen ON seen.id = s.id
     ORDER BY s.name, s.id`,
    [
      userId,
      ...[userId, ...params, MAX_LISTED_STUDENTS],
      ...[userId, ...params, MAX_LISTED_STUDENTS],
      MAX_LISTED_STUDENTS,
    ],
  );
  return found.map(toStudent);
}

/** Students of the user or given to him, all of them, by name; uses students_owner and student_access_user. */
export async function findStudents(db: Db, userId: string): Promise<SavedStudent[]> {
  return (
    await rows<StudentRow>(db, `${SELECT} JOIN (${SEEN_STUDENTS}) seen ON seen.id = s.id ORDER BY s.name`, [
      ...[userId, userId, userId],
    ])
  ).map(toStudent);
}

/** By students_owner. */
export async function findOwnStudentIds(db: Db, userId: string): Promise<string[]> {
  return (await rows<{ id: string }>(db, 'SELECT id FROM students WHERE owner_id = ?', [userId])).map(
    ({ id }) => id,
  );
}

/** Of these ids the ones the user may see, in no order; by primary keys. */
export async function findStudentsById(db: Db, userId: string, ids: string[]): Promise<SavedStudent[]> {
  if (ids.length === 0) return [];
  return (
    await rows<StudentRow>(
      db,
      `${SELECT} LEFT JOIN student_access a ON a.student_id = s.id AND a.user_id = ? AND ${OPEN_ACCESS}
       WHERE s.id IN (?) AND (s.owner_id = ? OR a.user_id IS NOT NULL)`,
      [userId, userId, ids, userId],
    )
  ).map(toStudent);
}

export async function insertStudent(db: Db, ownerId: string, id: string, student: Student): Promise<void> {
  await write(
    db,
    'INSERT INTO students (id, owner_id, name, born_on, said_adult, hand, height_m, needs, note, guardian_name, guardian_contact, guardian_consent_on) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [id, ownerId, ...values(student)],
  );
  await noteBack(db, 'student', id);
}

/** By primary key, owner only; false when there was nothing to change by this owner. */
export async function updateStudent(db: Db, ownerId: string, id: string, student: Student): Promise<boolean> {
  const touched = await write(
    db,
    'UPDATE students SET name = ?, born_on = ?, said_adult = ?, hand = ?, height_m = ?, needs = ?, note = ?, guardian_name = ?, guardian_contact = ?, guardian_consent_on = ? WHERE id = ? AND owner_id = ?',
    [...values(student), id, ownerId],
  );
  return touched > 0;
}

/** Keeps these students from going, and entries of theirs from arriving, until the transaction ends; always in the same order, so that two do not meet. */
export async function lockStudents(db: Db, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await rows(db, 'SELECT id FROM students WHERE id IN (?) ORDER BY id FOR UPDATE', [ids]);
}

/** Keeps a student from changing, and entries of his from arriving, until the transaction ends. */
export async function lockStudent(db: Db, id: string): Promise<void> {
  await rows(db, 'SELECT id FROM students WHERE id = ? FOR UPDATE', [id]);
}

import {
  inShape,
  type Lesson,
  type LessonPlan,
  type SavedLesson,
  type SavedPlan,
  shapeOf,
} from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { HttpError } from '../http/errors';
import { OPEN_ACCESS } from '../students/access.sql';

interface LessonRow {
  id: string;
  plan_id: string | null;
  water_id: string;
  starts_at: Date;
  plan_title: string;
  length_min: number;
  water_name: string;
  mine: number;
  keeper_id: string;
  keeper_name: string;
  /** Each with who has him in the lesson: `student/instructor`. */
  students: string | null;
  /** Who teaches along, as JSON. */
  along: string | null;
}

/** Whether a user `t` teaches in a lesson `l`, alone or along, or helps in it. */
export const TEACHES = `(l.owner_id = t.id OR l.id = t.assists_lesson_id
  OR EXISTS (SELECT 1 FROM lesson_instructors i WHERE i.lesson_id = l.id AND i.user_id = t.id))`;

const SEEN_PLAN = 'IF(l.owner_id = t.id OR p.owner_id = t.id OR m.user_id IS NOT NULL, l.plan_id, NULL)';

/**
 * Lessons with a plan and a water that somebody teaches or helps in, as he may see them; those that came with a student's
 * file are not taught here. Uses lessons_owner, lesson_instructors_user and primary keys.
 */
const TAUGHT = `FROM users t
    JOIN (SELECT id FROM lessons WHERE owner_id = ? UNION SELECT lesson_id FROM lesson_instructors WHERE user_id = ?
          UNION SELECT assists_lesson_id FROM users WHERE id = ?) taught
    JOIN lessons l ON l.id = taught.id JOIN waters w ON w.id = l.water_id JOIN users k ON k.id = l.owner_id
    LEFT JOIN plans p ON p.id = l.plan_id LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = t.id
  WHERE t.id = ? AND l.taken_title IS NULL AND l.plan_body IS NOT NULL`;

const SELECT = `SELECT l.id, l.water_id, l.starts_at, l.plan_title, l.length_min, w.name AS water_name,
    ${SEEN_PLAN} AS plan_id,
    l.owner_id = t.id AS mine, l.owner_id AS keeper_id, k.name AS keeper_name,
    (SELECT GROUP_CONCAT(s.student_id, '/', COALESCE(s.instructor_id, l.owner_id)
        ORDER BY s.lane, s.student_id SEPARATOR ',')
       FROM lesson_students s JOIN students one ON one.id = s.student_id
       LEFT JOIN student_access a ON a.student_id = one.id AND a.user_id = t.id AND ${OPEN_ACCESS}
      WHERE s.lesson_id = l.id AND (one.owner_id = t.id OR a.user_id IS NOT NULL)) AS students,
    (SELECT JSON_ARRAYAGG(JSON_OBJECT('userId', u.id, 'name', u.name) ORDER BY u.name, u.id)
       FROM lesson_instructors i JOIN users u ON u.id = i.user_id WHERE i.lesson_id = l.id) AS along
  ${TAUGHT}`;

function toLesson(row: LessonRow): SavedLesson {
  const students = row.students?.split(',').map((one) => one.split('/') as [string, string]) ?? [];
  const along = JSON.parse(row.along ?? '[]') as { userId: string; name: string }[];
  return {
    id: row.id,
    planId: row.plan_id,
    waterId: row.water_id,
    startsAt: row.starts_at.toISOString(),
    studentIds: students.map(([id]) => id),
    planTitle: row.plan_title,
    lengthMin: Number(row.length_min),
    waterName: row.water_name,
    mine: Boolean(row.mine),
    instructors: [{ userId: row.keeper_id, name: row.keeper_name }, ...along].map((one) => ({
      ...one,
      studentIds: students.flatMap(([id, instructor]) => (instructor === one.userId ? [id] : [])),
    })),
  };
}

/** Lessons that somebody teaches, alone or along, or the one in which he helps, by start. */
export async function findLessons(db: Db, userId: string): Promise<SavedLesson[]> {
  return (await rows<LessonRow>(db, `${SELECT} ORDER BY l.starts_at, l.id`, Array(4).fill(userId))).map(
    toLesson,
  );
}

/** The plan of each of these lessons, as far as he sees it; by the same keys. */
export async function findPlansTaught(
  db: Db,
  userId: string,
): Promise<{ lessonId: string; planId: string | null; title: string }[]> {
  const found = await rows<{ id: string; plan_id: string | null; plan_title: string }>(
    db,
    `SELECT l.id, l.plan_title, ${SEEN_PLAN} AS plan_id ${TAUGHT}`,
    Array(4).fill(userId),
  );
  return found.map(({ id, plan_id, plan_title }) => ({ lessonId: id, planId: plan_id, title: plan_title }));
}

/** Null when it does not exist, or he has nothing to do with it. */
export async function findLesson(db: Db, userId: string, id: string): Promise<SavedLesson | null> {
  const [found] = await rows<LessonRow>(db, `${SELECT} AND l.id = ?`, [...Array(4).fill(userId), id]);
  return found ? toLesson(found) : null;
}

/** @throws HttpError 'not-found' */
export async function ownLesson(db: Db, userId: string, id: string): Promise<SavedLesson> {
  const lesson = await findLesson(db, userId, id);
  if (!lesson) throw new HttpError('not-found');
  return lesson;
}

/** The plan as it is taught in a lesson; null for a lesson without one. */
export async function findLessonPlan(db: Db, id: string): Promise<LessonPlan | null> {
  const [found] = await rows<{ plan_title: string; plan_body: string; plan_shape: number }>(
    db,
    'SELECT plan_title, plan_body, plan_shape FROM lessons WHERE id = ? AND plan_body IS NOT NULL',
    [id],
  );
  return found
    ? {
        lessonId: id,
        title: found.plan_title,
        body: inShape('plan', found.plan_shape, JSON.parse(found.plan_body)) as PlanBody,
      }
    : null;
}

/** Locks lessons until the transaction ends; always in the same order, so that two who lock the same do not meet. */
export async function lockLessons(db: Db, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await rows(db, 'SELECT id FROM lessons WHERE id IN (?) ORDER BY id FOR UPDATE', [ids]);
}

export async function insertLesson(
  db: Db,
  ownerId: string,
  id: string,
  lesson: Lesson,
  plan: TaughtPlan,
): Promise<void> {
  await write(
    db,
    `INSERT INTO lessons (id, owner_id, plan_id, water_id, starts_at, plan_title, plan_body, plan_shape, plan_version, length_min)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    [id, ownerId, lesson.planId, lesson.waterId, new Date(lesson.startsAt), ...taught(plan)],
  );
  await insertLessonStudents(db, id, lesson.studentIds);
}

/** @param plan what is taught from now on; null leaves it as it is */
export async function updateLesson(
  db: Db,
  id: string,
  lesson: Pick<Lesson, 'waterId' | 'startsAt' | 'studentIds'>,
  plan: (TaughtPlan & { id: string }) | null,
): Promise<void> {
  await write(db, 'UPDATE lessons SET water_id = ?, starts_at = ? WHERE id = ?', [
    lesson.waterId,
    new Date(lesson.startsAt),
    id,
  ]);
  if (plan)
    await write(
      db,
      `UPDATE lessons SET plan_id = ?, plan_title = ?, plan_body = ?, plan_shape = ?, plan_version = ?, length_min = ?
       WHERE id = ?`,
      [plan.id, ...taught(plan), id],
    );
  const before = await rows<{ student_id: string; instructor_id: string | null }>(
    db,
    'SELECT student_id, instructor_id FROM lesson_students WHERE lesson_id = ?',
    [id],
  );
  await write(db, 'DELETE FROM lesson_students WHERE lesson_id = ?', [id]);
  await insertLessonStudents(
    db,
    id,
    lesson.studentIds,
    new Map(before.map(({ student_id, instructor_id }) => [student_id, instructor_id])),
  );
}

/** What a lesson keeps of its plan. */
export type TaughtPlan = Pick<SavedPlan, 'title' | 'body' | 'version'>;

const taught = ({ title, body, version }: TaughtPlan): unknown[] => [
  title,
  JSON.stringify(body),
  shapeOf('plan'),
  version,
  body.lengthMin,
];

/** Lessons that are not over follow their plan when it is saved; by the foreign key's index. */
export async function followPlan(db: Db, planId: string, plan: TaughtPlan): Promise<void> {
  await write(
    db,
    `UPDATE lessons SET plan_title = ?, plan_body = ?, plan_shape = ?, plan_version = ?, length_min = ?
     WHERE plan_id = ? AND starts_at + INTERVAL length_min MINUTE > UTC_TIMESTAMP()`,
    [...taught(plan), planId],
  );
}

/** Lessons of whoever can no longer see a plan stop following it; they keep what they have. By the foreign key's index. */
export async function unfollowPlan(db: Db, planId: string): Promise<void> {
  await write(
    db,
    `UPDATE lessons l JOIN plans p ON p.id = l.plan_id
       LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = l.owner_id
     SET l.plan_id = NULL WHERE l.plan_id = ? AND l.owner_id <> p.owner_id AND m.user_id IS NULL`,
    [planId],
  );
}

/** The same for all plans and lessons of one who left a circle; uses plans_owner and lessons_owner. */
export async function unfollowUnseen(db: Db, userId: string): Promise<void> {
  await write(
    db,
    `UPDATE lessons l JOIN plans p ON p.id = l.plan_id
       LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = l.owner_id
     SET l.plan_id = NULL
     WHERE (l.owner_id = ? OR p.owner_id = ?) AND l.owner_id <> p.owner_id AND m.user_id IS NULL`,
    [userId, userId],
  );
}

/** @param instructors who has whom among those who teach along; all others are with whose lesson it is */
async function insertLessonStudents(
  db: Db,
  id: string,
  studentIds: string[],
  instructors: ReadonlyMap<string, string | null> = new Map(),
): Promise<void> {
  if (studentIds.length === 0) return;
  await write(db, 'INSERT INTO lesson_students (lesson_id, student_id, lane, instructor_id) VALUES ?', [
    studentIds.map((studentId, lane) => [id, studentId, lane, instructors.get(studentId) ?? null]),
  ]);
}

export async function deleteLesson(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM lessons WHERE id = ?', [id]);
}

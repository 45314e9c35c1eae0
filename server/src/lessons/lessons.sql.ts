import { inShape, type Lesson, type LessonPlan, type SavedPlan, shapeOf } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

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

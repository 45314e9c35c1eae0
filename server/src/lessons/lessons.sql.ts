import type { Lesson, SavedLesson } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

interface LessonRow {
  id: string;
  plan_id: string;
  water_id: string;
  starts_at: Date;
  plan_title: string;
  length_min: number;
  water_name: string;
  student_ids: string | null;
}

const SELECT = `SELECT l.id, l.plan_id, l.water_id, l.starts_at, p.title AS plan_title, JSON_VALUE(p.body, '$.lengthMin') + 0 AS length_min, w.name AS water_name,
    (SELECT GROUP_CONCAT(s.student_id ORDER BY s.lane SEPARATOR ',') FROM lesson_students s WHERE s.lesson_id = l.id) AS student_ids
  FROM lessons l JOIN plans p ON p.id = l.plan_id JOIN waters w ON w.id = l.water_id`;

function toLesson(row: LessonRow): SavedLesson {
  return {
    id: row.id,
    planId: row.plan_id,
    waterId: row.water_id,
    startsAt: row.starts_at.toISOString(),
    studentIds: row.student_ids?.split(',') ?? [],
    planTitle: row.plan_title,
    lengthMin: Number(row.length_min),
    waterName: row.water_name,
  };
}

/** Lessons of one instructor by start; uses lessons_owner. */
export async function findLessons(db: Db, ownerId: string): Promise<SavedLesson[]> {
  return (
    await rows<LessonRow>(db, `${SELECT} WHERE l.owner_id = ? ORDER BY l.starts_at, l.id`, [ownerId])
  ).map(toLesson);
}

/** Null when it does not exist or is somebody else's. */
export async function findLesson(db: Db, ownerId: string, id: string): Promise<SavedLesson | null> {
  const found = await rows<LessonRow>(db, `${SELECT} WHERE l.owner_id = ? AND l.id = ?`, [ownerId, id]);
  return found[0] ? toLesson(found[0]) : null;
}

export async function insertLesson(db: Db, ownerId: string, id: string, lesson: Lesson): Promise<void> {
  await write(db, 'INSERT INTO lessons (id, owner_id, plan_id, water_id, starts_at) VALUES (?, ?, ?, ?, ?)', [
    id,
    ownerId,
    lesson.planId,
    lesson.waterId,
    new Date(lesson.startsAt),
  ]);
  await insertLessonStudents(db, id, lesson.studentIds);
}

export async function updateLesson(db: Db, id: string, lesson: Lesson): Promise<void> {
  await write(db, 'UPDATE lessons SET plan_id = ?, water_id = ?, starts_at = ? WHERE id = ?', [
    lesson.planId,
    lesson.waterId,
    new Date(lesson.startsAt),
    id,
  ]);
  await write(db, 'DELETE FROM lesson_students WHERE lesson_id = ?', [id]);
  await insertLessonStudents(db, id, lesson.studentIds);
}

async function insertLessonStudents(db: Db, id: string, studentIds: string[]): Promise<void> {
  if (studentIds.length === 0) return;
  await write(db, 'INSERT INTO lesson_students (lesson_id, student_id, lane) VALUES ?', [
    studentIds.map((studentId, lane) => [id, studentId, lane]),
  ]);
}

export async function deleteLesson(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM lessons WHERE id = ?', [id]);
}

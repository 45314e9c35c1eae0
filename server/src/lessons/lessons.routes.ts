import { api, type Lesson, type SavedLesson } from '@doceo/contract';
import type { Router } from 'express';
import { type Pool, transaction } from '../db/pool';
import { countEventsOfLesson } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findPlan } from '../plans/plans.sql';
import { findStudentsById } from '../students/students.sql';
import { findWater } from '../waters/waters.sql';
import { deleteLesson, findLesson, findLessons, insertLesson, updateLesson } from './lessons.sql';

export function lessonRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.lessons.list, ({ user }) => findLessons(pool, user.id));

  route(router, pool, api.lessons.get, ({ user, params }) => ownLesson(pool, user.id, params.id));

  route(router, pool, api.lessons.create, async ({ user, body }) => {
    const existing = await findLesson(pool, user.id, body.id);
    if (existing) return existing;
    await checkParts(pool, user.id, body.lesson, 'lesson.');
    await transaction(pool, (db) => insertLesson(db, user.id, body.id, body.lesson));
    return ownLesson(pool, user.id, body.id);
  });

  route(router, pool, api.lessons.update, async ({ user, params, body }) => {
    await ownLesson(pool, user.id, params.id);
    await checkParts(pool, user.id, body, '');
    await transaction(pool, (db) => updateLesson(db, params.id, body));
    return ownLesson(pool, user.id, params.id);
  });

  route(router, pool, api.lessons.remove, async ({ user, params }) => {
    await ownLesson(pool, user.id, params.id);
    if ((await countEventsOfLesson(pool, params.id)) > 0)
      throw new HttpError('already-exists', [], 'Records of students belong to this lesson, so it stays.');
    await deleteLesson(pool, params.id);
    return { ok: true as const };
  });
}

/** @throws HttpError 'not-found' */
export async function ownLesson(pool: Pool, userId: string, id: string): Promise<SavedLesson> {
  const lesson = await findLesson(pool, userId, id);
  if (!lesson) throw new HttpError('not-found');
  return lesson;
}

/** A lesson is made of parts the instructor may see. */
async function checkParts(pool: Pool, userId: string, lesson: Lesson, prefix: string): Promise<void> {
  const [plan, water, students] = await Promise.all([
    findPlan(pool, userId, lesson.planId),
    findWater(pool, userId, lesson.waterId),
    findStudentsById(pool, userId, lesson.studentIds),
  ]);
  const unknown = (path: string, message: string): { path: string; code: string; message: string } => ({
    path: `${prefix}${path}`,
    code: 'unknown',
    message,
  });
  const known = new Set(students.map(({ id }) => id));
  const issues = [
    ...(plan ? [] : [unknown('planId', 'is no plan of yours')]),
    ...(water ? [] : [unknown('waterId', 'is no water of yours')]),
    ...lesson.studentIds.flatMap((id, index) =>
      known.has(id) ? [] : [unknown(`studentIds[${index}]`, 'is no student of yours')],
    ),
  ];
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

import { api, type Course, type SavedCourse } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findStudentsById, lockStudents } from '../students/students.sql';
import { deleteCourse, findCourse, findCourses, insertCourse, lockCourse, updateCourse } from './courses.sql';

export function courseRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.courses.list, 'signed-in', ({ user }) => findCourses(pool, user.id));

  route(router, pool, api.courses.create, 'signed-in', async ({ user, body }) => {
    const existing = await findCourse(pool, user.id, body.id);
    if (existing) return existing;
    await pool.transaction(async (db) => {
      await refuseStrangers(db, user.id, body.course, 'course.', []);
      await insertCourse(db, user.id, body.id, body.course);
    });
    return ownCourse(pool, user.id, body.id);
  });

  route(router, pool, api.courses.update, may('change', 'course'), async ({ user, params, body }) => {
    await pool.transaction(async (db) => {
      await lockCourse(db, params.id);
      const before = await ownCourse(db, user.id, params.id);
      await refuseStrangers(db, user.id, body, '', before.course.studentIds);
      await updateCourse(db, params.id, body);
    });
    return ownCourse(pool, user.id, params.id);
  });

  route(router, pool, api.courses.remove, may('remove', 'course'), async ({ params }) => {
    await deleteCourse(pool, params.id);
    return { ok: true as const };
  });
}

/** @throws HttpError 'not-found' */
async function ownCourse(db: Db, userId: string, id: string): Promise<SavedCourse> {
  const course = await findCourse(db, userId, id);
  if (!course) throw new HttpError('not-found');
  return course;
}

/**
 * @param before ids of those who take part already
 * @throws HttpError 'invalid' naming each student whom the user may not see
 */
async function refuseStrangers(
  db: Db,
  userId: string,
  { studentIds }: Course,
  prefix: string,
  before: readonly string[],
): Promise<void> {
  await lockStudents(db, studentIds);
  const visible = await findStudentsById(db, userId, studentIds);
  const known = new Set([...before, ...visible.map(({ id }) => id)]);
  const issues = studentIds.flatMap((id, i) =>
    known.has(id)
      ? []
      : [{ path: `${prefix}studentIds[${i}]`, code: 'unknown', message: 'is no student of yours' }],
  );
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

import { api, type SavedStudent } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findStudents, findStudentsById, insertStudent, updateStudent } from './students.sql';

export function studentRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.students.list, ({ user }) => findStudents(pool, user.id));

  route(router, pool, api.students.get, ({ user, params }) => visibleStudent(pool, user.id, params.id));

  route(router, pool, api.students.create, async ({ user, body }) => {
    const [existing] = await findStudentsById(pool, user.id, [body.id]);
    if (!existing) await insertStudent(pool, user.id, body.id, body.student);
    return existing ?? visibleStudent(pool, user.id, body.id);
  });

  route(router, pool, api.students.update, async ({ user, params, body }) => {
    const { mine } = await visibleStudent(pool, user.id, params.id);
    if (!mine) throw new HttpError('forbidden');
    await updateStudent(pool, user.id, params.id, body);
    return visibleStudent(pool, user.id, params.id);
  });
}

/** @throws HttpError 'not-found' */
export async function visibleStudent(pool: Pool, userId: string, id: string): Promise<SavedStudent> {
  const [student] = await findStudentsById(pool, userId, [id]);
  if (!student) throw new HttpError('not-found');
  return student;
}

import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { knownStudent } from '../students/students.routes';
import { deleteReading, findReadings, insertReading } from './readings.sql';

export function readingRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.readings.list, ({ user }) => findReadings(pool, user.id));

  route(router, pool, api.readings.create, async ({ user, body }) => {
    await knownStudent(pool, user.id, body.studentId);
    await insertReading(pool, user.id, body);
    return { ...body, mine: true };
  });

  route(router, pool, api.readings.remove, async ({ user, params }) => {
    if (!(await deleteReading(pool, user.id, params.id))) throw new HttpError('not-found');
    return { ok: true as const };
  });
}

import { isDeepStrictEqual } from 'node:util';
import { api } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { recordedStudent } from '../students/recorded';
import { deleteReading, findReading, findReadings, insertReading } from './readings.sql';

export function readingRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.readings.list, 'signed-in', ({ user }) =>
    // Whoever helps for a day learns nothing of what was measured before.
    user.assists ? Promise.resolve([]) : findReadings(pool, user.id),
  );

  route(router, pool, api.readings.create, 'signed-in', async ({ user, body }) => {
    await recordedStudent(pool, user.id, body.studentId, body.on);
    const there = await findReading(pool, body.id);
    // Sent twice it is kept once. Another one of the same id is told, and not dropped.
    if (there && (there.ownerId !== user.id || !isDeepStrictEqual(there.taken, body)))
      throw new HttpError('already-exists', [
        { path: 'id', code: 'taken', message: 'belongs to another reading' },
      ]);
    if (!there) await insertReading(pool, user.id, body);
    return { ...body, mine: true };
  });

  route(router, pool, api.readings.remove, may('remove', 'reading'), async ({ user, params }) => {
    await deleteReading(pool, user.id, params.id);
    return { ok: true as const };
  });
}

import { api, type SavedRig } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { knownStudent } from '../students/students.routes';
import { deleteRig, findRig, findRigs, insertRig, updateRig } from './rigs.sql';

export function rigRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.rigs.list, 'signed-in', ({ user }) => findRigs(pool, user.id));

  route(router, pool, api.rigs.get, may('see', 'rig'), ({ user, params }) =>
    ownRig(pool, user.id, params.id),
  );

  route(router, pool, api.rigs.create, 'signed-in', async ({ user, body }) => {
    const existing = await findRig(pool, user.id, body.id);
    if (!existing) {
      await knownStudent(pool, user.id, body.studentId);
      await insertRig(pool, user.id, body);
    }
    return existing ?? ownRig(pool, user.id, body.id);
  });

  route(router, pool, api.rigs.update, may('change', 'rig'), async ({ user, params, body }) => {
    await knownStudent(pool, user.id, body.studentId);
    if (!(await updateRig(pool, params.id, body.baseVersion, body)))
      throw new HttpError((await findRig(pool, user.id, params.id)) ? 'version-conflict' : 'not-found');
    return ownRig(pool, user.id, params.id);
  });

  route(router, pool, api.rigs.remove, may('remove', 'rig'), async ({ params }) => {
    await deleteRig(pool, params.id);
    return { ok: true as const };
  });
}

async function ownRig(db: Db, userId: string, id: string): Promise<SavedRig> {
  const rig = await findRig(db, userId, id);
  if (!rig) throw new HttpError('not-found');
  return rig;
}

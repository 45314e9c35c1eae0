import { api, type SavedKit } from '@doceo/contract';
import { EMPTY_KIT, type Kit } from '@doceo/core';
import type { Router } from 'express';
import { findOwnDocument, saveOwnDocument } from '../db/own-document';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';

export function kitRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.kit.get, 'signed-in', ({ user }) => findKit(pool, user.id));

  route(router, pool, api.kit.update, 'signed-in', async ({ user, body }) => {
    if (!(await saveOwnDocument(pool, 'kits', user.id, body.kit, body.baseVersion)))
      throw new HttpError('version-conflict');
    return findKit(pool, user.id);
  });
}

export async function findKit(db: Db, ownerId: string): Promise<SavedKit> {
  const { value, version } = await findOwnDocument<Kit>(db, 'kits', ownerId);
  return { kit: value ?? EMPTY_KIT, version };
}

import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findFlyBox, saveFlyBox } from './fly-box.sql';

export function flyBoxRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.flyBox.get, 'signed-in', ({ user }) => findFlyBox(pool, user.id));

  route(router, pool, api.flyBox.update, 'signed-in', async ({ user, body }) => {
    if (!(await saveFlyBox(pool, user.id, body.box, body.baseVersion)))
      throw new HttpError('version-conflict');
    return findFlyBox(pool, user.id);
  });
}

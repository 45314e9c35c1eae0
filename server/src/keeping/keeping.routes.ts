import { api, type Keeping } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Pool } from '../db/pool';
import { route } from '../http/route';
import { keepingOf } from './keeping';
import { setRule } from './keeping.sql';

/** How long records are kept: a rule of each circle, and of each instructor for his own. */
export function keepingRoutes(router: Router, pool: Pool): void {
  const told = (userId: string): Promise<Keeping> =>
    keepingOf(pool, userId, new Date().toISOString().slice(0, 10));

  route(router, pool, api.keeping.get, 'signed-in', ({ user }) => told(user.id));

  route(router, pool, api.keeping.own, 'signed-in', async ({ user, body: { rule }, log }) => {
    await setRule(pool, 'users', user.id, rule);
    log.info({ userId: user.id, rule }, 'how long records are kept was set');
    return told(user.id);
  });

  route(
    router,
    pool,
    api.keeping.ofCircle,
    may('govern', 'circle'),
    async ({ user, params, body: { rule }, log }) => {
      await setRule(pool, 'circles', params.id, rule);
      log.info({ userId: user.id, circleId: params.id, rule }, 'how long records are kept was set');
      return told(user.id);
    },
  );
}

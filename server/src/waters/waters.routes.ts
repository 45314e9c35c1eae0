import { api, type SavedWater } from '@doceo/contract';
import type { Router } from 'express';
import { may, refuseUnless } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { localDate } from '../http/local-date';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { changedWater, newWater } from './changed-water';
import {
  deleteWater,
  findWater,
  findWaterDeletion,
  findWaters,
  giveWater,
  insertWater,
  lockWater,
  updateCalendar,
  updateCardRead,
  updateWater,
  updateWaterCircle,
} from './waters.sql';

export function waterRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.waters.list, 'signed-in', ({ user }) => findWaters(pool, user.id));

  route(router, pool, api.waters.get, may('see', 'water'), ({ user, params }) =>
    visibleWater(pool, user.id, params.id),
  );

  route(router, pool, api.waters.create, 'signed-in', async ({ user, body }) => {
    const existing = await findWater(pool, user.id, body.id);
    const on = localDate(new Date(), body.water.timeZone);
    const water = newWater(body.water, { by: user.name, on, source: '' });
    if (!existing) await insertWater(pool, user.id, body.id, water);
    return existing ?? visibleWater(pool, user.id, body.id);
  });

  route(router, pool, api.waters.change, may('draw', 'water'), async ({ user, params: { id }, body }) => {
    await pool.transaction(async (db) => {
      const water = await lockWater(db, id);
      if (!water) throw new HttpError('not-found');
      const on = localDate(new Date(), water.timeZone);
      await updateWater(db, id, changedWater(water, body, { by: user.name, on, source: body.source }));
    });
    return visibleWater(pool, user.id, id);
  });

  route(router, pool, api.waters.deletionPreview, may('remove', 'water'), ({ params }) =>
    findWaterDeletion(pool, params.id),
  );

  route(router, pool, api.waters.remove, may('remove', 'water'), async ({ params: { id } }) => {
    await pool.transaction(async (db) => {
      await lockWater(db, id);
      if ((await findWaterDeletion(db, id)).lessons > 0)
        throw new HttpError('in-use', [], 'There are lessons at this water, so it stays.');
      await deleteWater(db, id);
    });
    return { ok: true as const };
  });

  route(
    router,
    pool,
    api.waters.share,
    may('share', 'water'),
    async ({ user, params: { id }, body: { circleId } }) => {
      if (circleId !== null) await refuseUnless(pool, user.id, 'share-into', 'circle', circleId);
      await updateWaterCircle(pool, id, circleId);
      return visibleWater(pool, user.id, id);
    },
  );

  route(router, pool, api.waters.give, may('give', 'water'), async ({ user, params: { id }, body }) => {
    if (!(await giveWater(pool, user.id, id, body.userId)))
      throw new HttpError('invalid', [
        { path: 'userId', code: 'unknown', message: 'is no fellow of your circles' },
      ]);
    return { ok: true as const };
  });

  route(router, pool, api.waters.setCalendar, may('draw', 'water'), async ({ user, params, body }) => {
    await updateCalendar(pool, params.id, body.calendar);
    return visibleWater(pool, user.id, params.id);
  });

  route(router, pool, api.waters.readCard, may('check-rules', 'water'), async ({ user, params }) => {
    const { water } = await visibleWater(pool, user.id, params.id);
    await updateCardRead(pool, params.id, localDate(new Date(), water.timeZone), user.name);
    return visibleWater(pool, user.id, params.id);
  });
}

/** @throws HttpError 'not-found' */
export async function visibleWater(db: Db, userId: string, id: string): Promise<SavedWater> {
  const water = await findWater(db, userId, id);
  if (!water) throw new HttpError('not-found');
  return water;
}

import { api, type SavedWater } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { localDate } from '../http/local-date';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findWater, findWaters, insertWater, updateCalendar, updateCardRead } from './waters.sql';

export function waterRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.waters.list, 'signed-in', ({ user }) => findWaters(pool, user.id));

  route(router, pool, api.waters.get, may('see', 'water'), ({ user, params }) =>
    visibleWater(pool, user.id, params.id),
  );

  route(router, pool, api.waters.create, 'signed-in', async ({ user, body }) => {
    const existing = await findWater(pool, user.id, body.id);
    if (!existing) await insertWater(pool, user.id, body.id, body.water);
    return existing ?? visibleWater(pool, user.id, body.id);
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

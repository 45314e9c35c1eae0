import { api, type Teaching } from '@doceo/contract';
import type { Layer } from '@doceo/core';
import type { Router } from 'express';
import { isAllowed, may, refuseUnless } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { teacherOf } from '../session/users.sql';
import { curriculumFor } from './curriculum';
import {
  findLayer,
  findShown,
  findShownTo,
  findTeachesBy,
  type LayerOf,
  saveLayer,
  updateShownTo,
  updateTeachesBy,
} from './teaching.sql';

export function teachingRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.drills.list, 'signed-in', async ({ user }) => [
    ...(await curriculumFor(pool, user.id)).drills.all,
  ]);

  route(router, pool, api.teaching.get, 'signed-in', ({ user }) => teachingOf(pool, teacherOf(user)));

  const saved = async (
    userId: string,
    of: LayerOf,
    { layer, baseVersion }: { layer: Layer; baseVersion: number },
  ): Promise<Teaching> => {
    await pool.transaction(async (db) => {
      if (!(await saveLayer(db, of, layer, baseVersion, userId))) throw new HttpError('version-conflict');
    });
    return teachingOf(pool, userId);
  };

  route(router, pool, api.teaching.update, 'signed-in', ({ user, body }) =>
    saved(user.id, { userId: user.id }, body),
  );

  route(router, pool, api.teaching.updateCircle, may('change-teaching', 'circle'), ({ user, params, body }) =>
    saved(user.id, { circleId: params.id }, body),
  );

  route(router, pool, api.teaching.show, 'signed-in', async ({ user, body: { circleId } }) => {
    if (circleId !== null) {
      await refuseUnless(pool, user.id, 'share-into', 'circle', circleId);
      if ((await findLayer(pool, { userId: user.id })).version === 0)
        throw new HttpError('invalid', [
          { path: 'circleId', code: 'nothing', message: 'has nothing of yours to see yet' },
        ]);
    }
    await updateShownTo(pool, user.id, circleId);
    return teachingOf(pool, user.id);
  });

  route(router, pool, api.teaching.follow, 'signed-in', async ({ user, body: { circleId } }) => {
    if (circleId !== null) await refuseUnless(pool, user.id, 'see', 'circle', circleId);
    await updateTeachesBy(pool, user.id, circleId);
    return teachingOf(pool, user.id);
  });

  route(router, pool, api.teaching.shown, 'signed-in', ({ user }) => findShown(pool, user.id));
}

async function teachingOf(db: Db, userId: string): Promise<Teaching> {
  const circle = await findTeachesBy(db, userId);
  return {
    own: await findLayer(db, { userId }),
    shownTo: await findShownTo(db, userId),
    circle: circle && {
      ...(await findLayer(db, { circleId: circle.id })),
      ...circle,
      mayChange: await isAllowed(db, userId, 'change-teaching', 'circle', circle.id),
    },
  };
}

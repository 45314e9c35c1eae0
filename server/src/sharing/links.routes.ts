import { api } from '@doceo/contract';
import { carrying } from '@doceo/core';
import type { Router } from 'express';
import { HOLDS_LINK, may } from '../access/access';
import { newToken } from '../access/token';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findPlan } from '../plans/plans.sql';
import { curriculumFor } from '../teaching/curriculum';
import { findLink, findLinks, insertLink, openLink, revokeLink } from './links.sql';
import { refuseStudentNames } from './student-names';
import { keepVersion } from './versions.sql';

export function linkRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.links.list, may('share', 'plan'), ({ params: { id } }) => findLinks(pool, id));

  route(router, pool, api.links.make, may('share', 'plan'), async ({ user, params, body }) => {
    if (await findLink(pool, body.id)) throw new HttpError('already-exists');
    const token = newToken();
    await pool.transaction(async (db) => {
      const plan = await findPlan(db, user.id, params.id);
      if (!plan) throw new HttpError('not-found');
      await refuseStudentNames(db, user.id, { title: plan.title, body: plan.body });
      const shown = { ...plan, body: carrying(await curriculumFor(db, user.id), plan.body) };
      const { hash } = await keepVersion(db, { plan: shown, why: 'sent', author: user, isOpen: false });
      await insertLink(db, { id: body.id, planId: plan.id, token, hash, days: body.days });
    });
    const link = await findLink(pool, body.id);
    if (!link) throw new HttpError('not-found');
    return { link, token };
  });

  route(router, pool, api.links.revoke, may('revoke', 'link'), async ({ params: { id } }) => {
    await revokeLink(pool, id);
    return { ok: true as const };
  });

  route(router, pool, api.links.open, HOLDS_LINK, async ({ body: { token } }) => {
    const shown = await openLink(pool, token);
    if (!shown) throw new HttpError('not-found');
    return shown;
  });
}

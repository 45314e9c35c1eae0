import { api, type Incoming } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findPlan, updatePassed } from '../plans/plans.sql';
import { findLineage } from './lineage.sql';
import { mergeInto } from './merge';
import { namesNobody, refuseStudentNames } from './student-names';
import {
  findContent,
  findNewer,
  findVersion,
  findVersions,
  keepBase,
  keepVersion,
  type NewerVersion,
} from './versions.sql';

export function versionRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.versions.list, may('see', 'plan'), ({ user, params: { id }, query }) =>
    findVersions(pool, user.id, id, query.before),
  );

  route(router, pool, api.versions.get, may('see', 'plan'), async ({ user, params }) => {
    const version = await findVersion(pool, user.id, params.id, params.versionId);
    const plan = version && (await findContent(pool, version.hash));
    if (!plan) throw new HttpError('not-found');
    return { ...version, plan };
  });

  route(router, pool, api.versions.name, may('go-on', 'plan'), async ({ user, params: { id }, body }) => {
    const made = await pool.transaction(async (db) => {
      const plan = await planOf(db, user.id, id);
      if (plan.version !== body.baseVersion) throw new HttpError('version-conflict');
      if (plan.circleId)
        await refuseStudentNames(db, user.id, { title: plan.title, body: plan.body, note: body.note });
      const isOpen = plan.circleId !== null && (await namesNobody(db, user.id, plan));
      return keepVersion(db, { plan, why: 'named', note: body.note, author: user, isOpen });
    });
    const version = await findVersion(pool, user.id, id, made.id);
    if (!version) throw new HttpError('not-found');
    return version;
  });

  route(router, pool, api.versions.lineage, may('see', 'plan'), ({ user, params: { id } }) =>
    findLineage(pool, user.id, id),
  );

  route(router, pool, api.versions.incoming, may('go-on', 'plan'), async ({ user, params: { id } }) => {
    const newer = await newerOf(pool, user.id, id);
    const theirs = await findContent(pool, newer.hash);
    if (!theirs) throw new HttpError('not-found');
    return {
      plan: await planOf(pool, user.id, id),
      base: await findContent(pool, newer.base_hash),
      ...{ theirs, theirsHash: newer.hash, byName: newer.author_name, note: newer.note, proposalId: null },
      ...{ at: newer.made_at.toISOString(), baseAt: newer.base_at?.toISOString() ?? null },
    } satisfies Incoming;
  });

  route(router, pool, api.versions.merge, may('go-on', 'plan'), async ({ user, params: { id }, body }) => {
    await pool.transaction(async (db) => {
      const newer = await newerOf(db, user.id, id, body.theirsHash);
      const theirs = await findContent(db, newer.hash);
      if (!theirs) throw new HttpError('not-found');
      await mergeInto(db, user, await planOf(db, user.id, id), body.baseVersion, {
        ...{ base: await findContent(db, newer.base_hash), theirs, choices: body.choices },
        ...{ mergedId: newer.id, note: newer.note },
      });
      await keepBase(db, id, newer);
    });
    return planOf(pool, user.id, id);
  });

  route(router, pool, api.versions.pass, may('go-on', 'plan'), async ({ user, params: { id }, body }) => {
    const newer = await newerOf(pool, user.id, id, body.theirsHash);
    await updatePassed(pool, id, newer.seq);
    return { ok: true as const };
  });
}

/** @throws HttpError 'not-found' */
async function planOf(db: Db, userId: string, id: string) {
  const plan = await findPlan(db, userId, id);
  if (!plan) throw new HttpError('not-found');
  return plan;
}

/**
 * @param looked the state that was looked at
 * @throws HttpError 'not-found' when nothing waits, 'version-conflict' when another state came since it was looked at
 */
async function newerOf(db: Db, userId: string, id: string, looked?: string): Promise<NewerVersion> {
  const newer = await findNewer(db, userId, id);
  if (!newer) throw new HttpError('not-found', [], 'Its origin has nothing new for this copy, or is gone.');
  if (looked !== undefined && looked !== newer.hash)
    throw new HttpError('version-conflict', [], 'The origin moved on again meanwhile. Look at it anew.');
  return newer;
}

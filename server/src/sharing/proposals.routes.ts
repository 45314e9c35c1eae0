import { api, type Incoming } from '@doceo/contract';
import type { Router } from 'express';
import { may, refuseUnless } from '../access/access';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findBase, findPlan } from '../plans/plans.sql';
import { mergeInto } from './merge';
import {
  answerProposal,
  deleteOpenProposal,
  dropOpenProposals,
  findProposal,
  findProposalsFrom,
  insertProposal,
  lockProposal,
  toProposal,
} from './proposals.sql';
import { refuseStudentNames } from './student-names';
import { findContent, findVersionOfHash, keepVersion } from './versions.sql';

const GONE = 'The proposal was answered or taken back meanwhile.';

export function proposalRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.proposals.make, may('go-on', 'plan'), async ({ user, params: { id }, body }) => {
    const known = await findProposal(pool, body.id);
    if (known) {
      if (known.author_id !== user.id) throw new HttpError('already-exists');
      return toProposal(known, user.id);
    }
    await pool.transaction(async (db) => {
      const copy = await findPlan(db, user.id, id);
      if (!copy?.origin)
        throw new HttpError('invalid', [{ path: 'id', code: 'no-copy', message: 'is no copy of a plan' }]);
      if (copy.version !== body.baseVersion) throw new HttpError('version-conflict');
      if (!copy.origin.seen)
        throw new HttpError('not-found', [], 'Its origin is gone, or is not shared with you any more.');
      await refuseUnless(db, user.id, 'see', 'plan', copy.origin.planId);
      await refuseStudentNames(db, user.id, { title: copy.title, body: copy.body, note: body.note });
      const { hash } = await keepVersion(db, { plan: copy, why: 'proposed', author: user, isOpen: true });
      await dropOpenProposals(db, id, copy.origin.planId);
      await insertProposal(db, {
        ...{ id: body.id, plan_id: copy.origin.planId, from_plan_id: id, hash, author_id: user.id },
        ...{ base_hash: await findBase(db, id), note: body.note },
      });
    });
    const made = await findProposal(pool, body.id);
    if (!made) throw new HttpError('not-found');
    return toProposal(made, user.id);
  });

  route(router, pool, api.proposals.list, may('go-on', 'plan'), async ({ user, params: { id } }) =>
    (await findProposalsFrom(pool, id)).map((row) => toProposal(row, user.id)),
  );

  route(router, pool, api.proposals.get, may('answer', 'proposal'), async ({ user, params: { id } }) => {
    const found = await findProposal(pool, id);
    if (found?.state !== 'open') throw new HttpError('not-found', [], GONE);
    const plan = await findPlan(pool, user.id, found.plan_id);
    const theirs = await findContent(pool, found.hash);
    if (!plan || !theirs) throw new HttpError('not-found');
    return {
      ...{ plan, theirs, base: await findContent(pool, found.base_hash), theirsHash: found.hash },
      ...{ byName: found.author_name, note: found.note, proposalId: id },
      ...{ at: found.made_at.toISOString(), baseAt: null },
    } satisfies Incoming;
  });

  route(
    router,
    pool,
    api.proposals.take,
    may('answer', 'proposal'),
    async ({ user, params: { id }, body }) => {
      const planId = await pool.transaction(async (db) => {
        const found = await lockProposal(db, id);
        if (found?.state !== 'open' || found.hash !== body.theirsHash)
          throw new HttpError('version-conflict', [], GONE);
        const plan = await findPlan(db, user.id, found.plan_id);
        const theirs = await findContent(db, found.hash);
        if (!plan || !theirs) throw new HttpError('not-found');
        await refuseStudentNames(db, user.id, { word: body.word });
        await mergeInto(db, user, plan, body.baseVersion, {
          ...{ base: await findContent(db, found.base_hash), theirs, choices: body.choices },
          mergedId: found.from_plan_id && (await findVersionOfHash(db, found.from_plan_id, found.hash)),
          note: found.note,
        });
        await answerProposal(db, id, 'taken', body.word ?? '');
        return plan.id;
      });
      const merged = await findPlan(pool, user.id, planId);
      if (!merged) throw new HttpError('not-found');
      return merged;
    },
  );

  route(router, pool, api.proposals.decline, may('answer', 'proposal'), async ({ user, params, body }) => {
    await refuseStudentNames(pool, user.id, { word: body.word });
    if (!(await answerProposal(pool, params.id, 'declined', body.word)))
      throw new HttpError('version-conflict', [], GONE);
    return { ok: true as const };
  });

  route(router, pool, api.proposals.withdraw, may('withdraw', 'proposal'), async ({ params: { id } }) => {
    if (!(await deleteOpenProposal(pool, id))) throw new HttpError('version-conflict', [], GONE);
    return { ok: true as const };
  });
}

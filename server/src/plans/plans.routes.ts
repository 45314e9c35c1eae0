import { api, goneFromCurriculum, type LibraryQuery, type SavedPlan } from '@doceo/contract';
import type { Router } from 'express';
import { may, refuseUnless } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { followPlan, unfollowPlan } from '../lessons/lessons.sql';
import { curriculumFor } from '../teaching/curriculum';
import type { UserRow } from '../session/users.sql';
import { namesNobody, refuseStudentNames } from '../sharing/student-names';
import { findHashesOf, keepBase, keepVersion, sweepContents } from '../sharing/versions.sql';
import { gatherWords } from './gather.sql';
import { findInLibrary, findInLibraryWhole, findPlans } from './library.sql';
import { deletePlan, findPlan, insertPlan, updatePlan, updatePlanCircle } from './plans.sql';

export function planRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.plans.list, 'signed-in', ({ user }) => findPlans(pool, user.id));

  /** What words are asked for with is gathered first; a page by date alone asks for none. */
  const gathered = async ({ user, query }: { user: UserRow; query: LibraryQuery }): Promise<void> => {
    if (query.words || query.strand) await gatherWords(pool, user.id);
  };

  route(router, pool, api.plans.library, 'signed-in', async (call) => {
    await gathered(call);
    return findInLibrary(pool, call.user.id, call.query);
  });

  route(router, pool, api.plans.libraryWhole, 'signed-in', async (call) => {
    await gathered(call);
    return findInLibraryWhole(pool, call.user.id, call.query);
  });

  route(router, pool, api.plans.get, may('see', 'plan'), ({ user, params }) =>
    visiblePlan(pool, user.id, params.id),
  );

  route(router, pool, api.plans.create, 'signed-in', async ({ user, body }) => {
    const existing = await findPlan(pool, user.id, body.id);
    if (existing) return existing;
    await refuseGone(pool, user.id, body, null);
    await insertPlan(pool, user.id, body);
    return visiblePlan(pool, user.id, body.id);
  });

  route(router, pool, api.plans.update, may('change', 'plan'), async ({ user, params: { id }, body }) => {
    const plan = await visiblePlan(pool, user.id, id);
    await refuseGone(pool, user.id, body, plan);
    if (plan.circleId) await refuseStudentNames(pool, user.id, { title: body.title, body: body.body });
    await pool.transaction(async (db) => {
      if (!(await updatePlan(db, id, body.baseVersion, body.title, body.body)))
        throw new HttpError((await findPlan(db, user.id, id)) ? 'version-conflict' : 'not-found');
      await followPlan(db, id, { title: body.title, body: body.body, version: body.baseVersion + 1 });
    });
    return visiblePlan(pool, user.id, id);
  });

  route(router, pool, api.plans.remove, may('remove', 'plan'), async ({ params: { id } }) => {
    await pool.transaction(async (db) => {
      const hashes = await findHashesOf(db, [id]);
      // Every lesson goes on with its own copy, and copies keep what they took.
      await deletePlan(db, id);
      await sweepContents(db, hashes);
    });
    return { ok: true as const };
  });

  route(
    router,
    pool,
    api.plans.share,
    may('take-out', 'plan'),
    async ({ user, params: { id }, body: { circleId, note } }) => {
      const plan = await visiblePlan(pool, user.id, id);
      if (circleId !== null) {
        await refuseUnless(pool, user.id, 'share', 'plan', id);
        await refuseUnless(pool, user.id, 'share-into', 'circle', circleId);
        await refuseStudentNames(pool, user.id, { title: plan.title, body: plan.body, note });
      }
      await pool.transaction(async (db) => {
        await updatePlanCircle(db, id, circleId);
        if (circleId !== null)
          await keepVersion(db, { plan, why: 'shared', note, author: user, isOpen: true });
        if (circleId !== plan.circleId) await unfollowPlan(db, id);
      });
      // Who took somebody else's plan out of his circle no longer sees it.
      return (await findPlan(pool, user.id, id)) ?? { ...plan, circleId: null, circleName: null };
    },
  );

  route(router, pool, api.plans.copy, may('see', 'plan'), async ({ user, params, body }) => {
    const existing = await findPlan(pool, user.id, body.id);
    if (existing) return existing;
    const origin = await visiblePlan(pool, user.id, params.id);
    await pool.transaction(async (db) => {
      const isOpen = origin.circleId !== null && (await namesNobody(db, user.id, origin));
      const taken = await keepVersion(db, { plan: origin, why: 'copied', author: user, isOpen });
      await insertPlan(db, user.id, { id: body.id, title: origin.title, body: origin.body, origin });
      await keepBase(db, body.id, taken);
      const plan = { ...origin, id: body.id, version: 1 };
      await keepVersion(db, { plan, why: 'copied', author: user, isOpen: false, mergedId: taken.id });
    });
    return visiblePlan(pool, user.id, body.id);
  });
}

/** @throws HttpError 'not-found' */
async function visiblePlan(db: Db, userId: string, id: string): Promise<SavedPlan> {
  const plan = await findPlan(db, userId, id);
  if (!plan) throw new HttpError('not-found');
  return plan;
}

/** @throws HttpError 'invalid' for drills and faults that nobody knows, and were not in the plan before */
async function refuseGone(
  db: Db,
  userId: string,
  { body }: Pick<SavedPlan, 'body'>,
  before: SavedPlan | null,
): Promise<void> {
  const issues = goneFromCurriculum(await curriculumFor(db, userId), body, before?.body ?? null);
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

import {
  api,
  comingPlans,
  goneFromCurriculum,
  type Issue,
  type KnownPlan,
  namesIn,
  type PlanBundle,
  readPlanBundle,
  type SavedPlan,
  withLines,
  withoutNames,
  writePlanBundle,
} from '@doceo/contract';
import { carrying, type Curriculum, planHash } from '@doceo/core';
import type { Router } from 'express';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { followPlan } from '../lessons/lessons.sql';
import { findOwnPlans, findPlan, insertPlan, updatePlan } from '../plans/plans.sql';
import type { UserRow } from '../session/users.sql';
import { curriculumFor } from '../teaching/curriculum';
import { findStatesOf, keepToldLineage, lineageOf } from './file-lineage.sql';
import { namesOf, refuseStudentNames } from './student-names';
import { keepVersion } from './versions.sql';

/** Of more plans the file is made where large requests are answered. */
const FEW_PLANS = 5;

export function planFileRoutes(router: Router, pool: Pool): void {
  route(
    router,
    pool,
    api.planFiles.make,
    'signed-in',
    async ({ user, body: { ids, withoutNames: blank }, passOnIf }) => {
      passOnIf(ids.length > FEW_PLANS);
      const names = await namesOf(pool, user.id);
      return pool.transaction(async (db) => {
        const curriculum = await curriculumFor(db, user.id);
        const plans = [];
        for (const id of new Set(ids)) plans.push(await leaving(db, user, curriculum, id));
        const named = plans.flatMap(({ title, body, lineage }, i) =>
          namesIn({ title, body, notes: lineage.map(({ note }) => note) }, names, `plans[${i}]`),
        );
        if (named.length > 0 && !blank) return { text: '', named };
        const told = plans.map(({ lineage, title, body, id }) => ({
          ...{ id, ...withoutNames({ title, body }, names) },
          lineage: lineage.map((one) => ({ ...one, note: withoutNames(one.note, names) })),
        }));
        return { text: writePlanBundle(told), named: [] };
      });
    },
  );

  route(router, pool, api.planFiles.look, 'signed-in', async ({ user, body: { text } }) => {
    const bundle = readable(await curriculumFor(pool, user.id), text);
    const known = await knownTo(pool, user);
    return comingPlans(bundle, known).map(({ with: id, ...coming }) => {
      const like = known.find((one) => one.id === id);
      return { ...coming, with: like ? { id: like.id, title: like.title } : null };
    });
  });

  route(router, pool, api.planFiles.take, 'signed-in', async ({ user, body: { text, plans: chosen } }) => {
    const bundle = readable(await curriculumFor(pool, user.id), text);
    const done = { added: 0, moved: 0 };
    await pool.transaction(async (db) => {
      const coming = comingPlans(bundle, await knownTo(db, user));
      for (const { id, how, as } of chosen) {
        const plan = bundle.plans.find((one) => one.id === id);
        if (!plan) throw unknownPlan(chosen.findIndex((one) => one.id === id));
        if (how === 'add' && (await add(db, user, as, plan))) done.added++;
        const like = coming.find((one) => one.id === id);
        // What was taken already, as when the same is sent twice, is there.
        if (how !== 'follow' || like?.what === 'same') continue;
        await follow(db, user, like?.what === 'newer' ? like.with : null, plan);
        done.moved++;
      }
    });
    return done;
  });
}

type FilePlan = PlanBundle['plans'][number];

const unknownPlan = (index: number): HttpError =>
  new HttpError('invalid', [
    { path: `plans[${index}].id`, code: 'unknown', message: 'is no plan of this file' },
  ]);

/** A plan with all that it uses, as a file tells it. What was mine and leaves is a version. */
async function leaving(db: Db, user: UserRow, curriculum: Curriculum, id: string) {
  const plan = await findPlan(db, user.id, id);
  if (!plan) throw new HttpError('not-found');
  const whole: SavedPlan = { ...plan, body: carrying(curriculum, plan.body) };
  if (plan.mine) await keepVersion(db, { plan: whole, why: 'sent', author: user, isOpen: false });
  return { id, title: whole.title, body: whole.body, lineage: await lineageOf(db, user.id, id) };
}

/** @throws HttpError 'invalid' with path and line of all that is wrong with a file */
function readable(curriculum: Curriculum, text: string): PlanBundle {
  const { file, issues } = readPlanBundle(text);
  const wrong: Issue[] = file
    ? withLines(
        text,
        file.plans.flatMap(({ body }, i) =>
          goneFromCurriculum(curriculum, body, null).map((issue) => ({
            ...issue,
            path: `plans[${i}].${issue.path}`,
          })),
        ),
      )
    : issues;
  if (!file || wrong.length > 0) throw new HttpError('invalid', wrong, 'The file was not taken.');
  return file;
}

/** The plans of a user as a file would tell them, with the states they were in. */
async function knownTo(db: Db, user: UserRow): Promise<KnownPlan[]> {
  const [plans, curriculum] = [await findOwnPlans(db, user.id), await curriculumFor(db, user.id)];
  const states = await findStatesOf(
    db,
    plans.map(({ id }) => id),
  );
  return plans.map(({ id, title, body }) => ({
    ...{ id, title, hash: planHash({ title, body: carrying(curriculum, body) }) },
    hashes: (states.get(id) ?? []).map((one) => one.hash),
    versions: (states.get(id) ?? []).map((one) => one.id),
  }));
}

/** False where it is here already, as when the same is sent twice. */
async function add(db: Db, user: UserRow, as: string, { title, body, lineage }: FilePlan): Promise<boolean> {
  const there = await findPlan(db, user.id, as);
  if (there?.mine && planHash(there) === planHash({ title, body })) return false;
  await insertPlan(db, user.id, { id: as, title, body });
  await keepToldLineage(db, as, lineage);
  const plan = { id: as, title, body, version: 1 };
  await keepVersion(db, { plan, why: 'copied', author: user, isOpen: false });
  return true;
}

/** My plan becomes what the file tells; how it was before is kept. */
async function follow(
  db: Db,
  user: UserRow,
  planId: string | null,
  { title, body, lineage }: FilePlan,
): Promise<void> {
  const mine = planId === null ? null : await findPlan(db, user.id, planId);
  if (!mine?.mine) throw new HttpError('version-conflict', [], 'It changed here meanwhile. Look at it anew.');
  if (mine.circleId) await refuseStudentNames(db, user.id, { title, body });
  await keepVersion(db, { plan: mine, why: 'kept', author: user, isOpen: false });
  if (!(await updatePlan(db, mine.id, mine.version, title, body))) throw new HttpError('version-conflict');
  const plan = { id: mine.id, title, body, version: mine.version + 1 };
  await followPlan(db, mine.id, plan);
  await keepToldLineage(db, mine.id, lineage);
  await keepVersion(db, { plan, why: 'merged', author: user, isOpen: false });
}

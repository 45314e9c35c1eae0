import { api, type SavedPlan } from '@doceo/contract';
import type { Router } from 'express';
import { findRole } from '../circles/circles.sql';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findStudents } from '../students/students.sql';
import {
  countLessonsOfPlan,
  deletePlan,
  findPlan,
  findPlans,
  insertPlan,
  updatePlan,
  updatePlanCircle,
} from './plans.sql';
import { studentNamesIn } from './student-names';

export function planRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.plans.list, ({ user }) => findPlans(pool, user.id));

  route(router, pool, api.plans.get, ({ user, params }) => visiblePlan(pool, user.id, params.id));

  route(router, pool, api.plans.create, async ({ user, body }) => {
    const existing = await findPlan(pool, user.id, body.id);
    if (!existing) await insertPlan(pool, user.id, body);
    return existing ?? visiblePlan(pool, user.id, body.id);
  });

  route(router, pool, api.plans.update, async ({ user, params, body }) => {
    const plan = await ownPlan(pool, user.id, params.id);
    if (plan.circleId)
      await refuseStudentNames(pool, user.id, { ...plan, title: body.title, body: body.body });
    if (!(await updatePlan(pool, params.id, body.baseVersion, body.title, body.body)))
      throw new HttpError('version-conflict');
    return visiblePlan(pool, user.id, params.id);
  });

  route(router, pool, api.plans.remove, async ({ user, params }) => {
    await ownPlan(pool, user.id, params.id);
    if ((await countLessonsOfPlan(pool, params.id)) > 0)
      throw new HttpError('already-exists', [], 'Lessons use this plan. Take them off the calendar first.');
    await deletePlan(pool, params.id);
    return { ok: true as const };
  });

  route(router, pool, api.plans.share, async ({ user, params, body }) => {
    const plan = await ownPlan(pool, user.id, params.id);
    if (body.circleId) {
      const role = await findRole(pool, body.circleId, user.id);
      if (!role) throw new HttpError('not-found');
      if (role === 'reader')
        throw new HttpError('forbidden', [], 'Readers of a circle cannot share into it.');
      await refuseStudentNames(pool, user.id, plan);
    }
    await updatePlanCircle(pool, params.id, body.circleId);
    return visiblePlan(pool, user.id, params.id);
  });

  route(router, pool, api.plans.copy, async ({ user, params, body }) => {
    const existing = await findPlan(pool, user.id, body.id);
    if (existing) return existing;
    const origin = await visiblePlan(pool, user.id, params.id);
    await insertPlan(pool, user.id, { id: body.id, title: origin.title, body: origin.body, origin });
    return visiblePlan(pool, user.id, body.id);
  });
}

/** @throws HttpError 'not-found' */
export async function visiblePlan(pool: Pool, userId: string, id: string): Promise<SavedPlan> {
  const plan = await findPlan(pool, userId, id);
  if (!plan) throw new HttpError('not-found');
  return plan;
}

async function ownPlan(pool: Pool, userId: string, id: string): Promise<SavedPlan> {
  const plan = await visiblePlan(pool, userId, id);
  if (!plan.mine)
    throw new HttpError('forbidden', [], 'It belongs to somebody else. Take a copy to change it.');
  return plan;
}

async function refuseStudentNames(pool: Pool, userId: string, plan: SavedPlan): Promise<void> {
  const names = (await findStudents(pool, userId)).map(({ student }) => student.name);
  const issues = studentNamesIn(plan.title, plan.body, names);
  if (issues.length > 0)
    throw new HttpError(
      'invalid',
      issues,
      'The plan names a student. Take the name out before it is shared.',
    );
}

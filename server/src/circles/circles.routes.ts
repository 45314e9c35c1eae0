import { api, type Circle } from '@doceo/contract';
import type { Router } from 'express';
import { type Pool, transaction } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findUserByEmail } from '../session/users.sql';
import { deleteMember, findCircles, insertCircle, upsertMember } from './circles.sql';

export function circleRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.circles.list, ({ user }) => findCircles(pool, user.id));

  route(router, pool, api.circles.create, async ({ user, body }) => {
    const existing = (await findCircles(pool, user.id)).find(({ id }) => id === body.id);
    if (existing) return existing;
    await transaction(pool, async (db) => {
      await insertCircle(db, body.id, body.name);
      await upsertMember(db, body.id, user.id, 'owner');
    });
    return myCircle(pool, user.id, body.id);
  });

  route(router, pool, api.circles.addMember, async ({ user, params, body }) => {
    const circle = await ownedCircle(pool, user.id, params.id);
    const member = await findUserByEmail(pool, body.email);
    if (!member)
      throw new HttpError('invalid', [
        { path: 'email', code: 'unknown', message: 'There is no account with this e-mail.' },
      ]);
    if (body.role !== 'owner') refuseLastOwner(circle, member.id);
    await upsertMember(pool, params.id, member.id, body.role);
    return myCircle(pool, user.id, params.id);
  });

  route(router, pool, api.circles.removeMember, async ({ user, params }) => {
    const circle = await ownedCircle(pool, user.id, params.id);
    refuseLastOwner(circle, params.userId);
    if (params.userId === user.id)
      throw new HttpError('invalid', [], 'Hand the circle to another owner, who takes you out.');
    await deleteMember(pool, params.id, params.userId);
    return myCircle(pool, user.id, params.id);
  });
}

async function myCircle(pool: Pool, userId: string, id: string): Promise<Circle> {
  const circle = (await findCircles(pool, userId)).find((candidate) => candidate.id === id);
  if (!circle) throw new HttpError('not-found');
  return circle;
}

async function ownedCircle(pool: Pool, userId: string, id: string): Promise<Circle> {
  const circle = await myCircle(pool, userId, id);
  if (circle.role !== 'owner')
    throw new HttpError('forbidden', [], 'Only an owner of the circle may do that.');
  return circle;
}

function refuseLastOwner(circle: Circle, userId: string): void {
  const owners = circle.members.filter((member) => member.role === 'owner');
  if (owners.length === 1 && owners[0]?.userId === userId)
    throw new HttpError('invalid', [
      { path: 'role', code: 'last-owner', message: 'A circle needs an owner.' },
    ]);
}

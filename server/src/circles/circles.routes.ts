import { api, type Circle } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import type { Mail } from '../mail/mail';
import { leaveLessonsOfStrangers } from '../lessons/instructors.sql';
import { unfollowUnseen } from '../lessons/lessons.sql';
import {
  deleteCircle,
  deleteInvitation,
  deleteMember,
  findCircles,
  findInvitations,
  findOffer,
  insertCircle,
  isCircle,
  lockMembers,
  type Role,
  takeOutShared,
  upsertInvitation,
  upsertMember,
} from './circles.sql';

/** @param admit whether somebody may ask yet another address */
export function circleRoutes(
  router: Router,
  pool: Pool,
  mail: Mail,
  admit: (userId: string) => Promise<void>,
): void {
  route(router, pool, api.circles.list, 'signed-in', ({ user }) => findCircles(pool, user.id));

  route(router, pool, api.circles.create, 'signed-in', async ({ user, body }) => {
    const existing = (await findCircles(pool, user.id)).find(({ id }) => id === body.id);
    if (existing) return existing;
    if (await isCircle(pool, body.id)) throw new HttpError('already-exists');
    await pool.transaction(async (db) => {
      await insertCircle(db, body.id, body.name);
      await upsertMember(db, body.id, user.id, 'owner');
    });
    return myCircle(pool, user.id, body.id);
  });

  route(
    router,
    pool,
    api.circles.invite,
    may('govern', 'circle'),
    async ({ user, params: { id }, body, log }) => {
      const circle = await myCircle(pool, user.id, id);
      if (body.email === user.email)
        throw new HttpError('invalid', [{ path: 'email', code: 'own', message: 'is yours' }]);
      await admit(user.id);
      await pool.transaction(async (db) => {
        await upsertInvitation(db, circle.id, body.email, body.role, user.id);
        await mail.queue(db, 'invitation', body.email, { circleId: circle.id });
      });
      mail.look();
      log.info({ userId: user.id, circleId: id, role: body.role }, 'invited to a circle');
      return myCircle(pool, user.id, id);
    },
  );

  route(
    router,
    pool,
    api.circles.withdraw,
    may('govern', 'circle'),
    async ({ user, params: { id, email } }) => {
      if (!(await deleteInvitation(pool, id, email))) throw new HttpError('not-found');
      return myCircle(pool, user.id, id);
    },
  );

  route(router, pool, api.circles.invitations, 'signed-in', ({ user }) => findInvitations(pool, user.email));

  route(
    router,
    pool,
    api.circles.answer,
    'signed-in',
    async ({ user, params: { id }, body: { accept }, log }) => {
      await pool.transaction(async (db) => {
        const members = await lockMembers(db, id);
        const role = await findOffer(db, id, user.email);
        if (!members || !role) throw new HttpError('not-found');
        await deleteInvitation(db, id, user.email);
        // Who is in already keeps the role he has: an old invitation changes nothing behind an owner's back.
        if (accept && !members.has(user.id)) await upsertMember(db, id, user.id, role);
      });
      log.info({ userId: user.id, circleId: id, accept }, 'invitation answered');
      return { ok: true as const };
    },
  );

  route(
    router,
    pool,
    api.circles.setRole,
    may('govern', 'circle'),
    async ({ user, params, body: { role }, log }) => {
      await amongMembers(pool, params.id, params.userId, async (db, members) => {
        if (members.get(user.id) !== 'owner') throw new HttpError('forbidden');
        if (role !== 'owner') refuseLastOwner(members, params.userId);
        await upsertMember(db, params.id, params.userId, role);
      });
      log.info({ userId: user.id, circleId: params.id, memberId: params.userId, role }, 'role changed');
      return myCircle(pool, user.id, params.id);
    },
  );

  route(router, pool, api.circles.removeMember, may('govern', 'circle'), async ({ user, params, log }) => {
    await amongMembers(pool, params.id, params.userId, async (db, members) => {
      if (members.get(user.id) !== 'owner') throw new HttpError('forbidden');
      refuseLastOwner(members, params.userId);
      await withoutMember(db, params.id, params.userId);
    });
    log.info({ userId: user.id, circleId: params.id, memberId: params.userId }, 'taken out of a circle');
    return { ok: true as const };
  });

  route(router, pool, api.circles.leave, may('leave', 'circle'), async ({ user, params: { id }, log }) => {
    await amongMembers(pool, id, user.id, async (db, members) => {
      if (members.size === 1) return deleteCircle(db, id);
      refuseLastOwner(members, user.id);
      return withoutMember(db, id, user.id);
    });
    log.info({ userId: user.id, circleId: id }, 'left a circle');
    return { ok: true as const };
  });
}

/** Runs a change of one member while nobody else changes any. */
function amongMembers(
  pool: Pool,
  circleId: string,
  memberId: string,
  change: (db: Db, members: ReadonlyMap<string, Role>) => Promise<void>,
): Promise<void> {
  return pool.transaction(async (db) => {
    const members = await lockMembers(db, circleId);
    if (!members?.has(memberId)) throw new HttpError('not-found');
    await change(db, members);
  });
}

/** He takes with him what is his: it is private again. Copies that others took stay theirs. */
async function withoutMember(db: Db, circleId: string, userId: string): Promise<void> {
  await takeOutShared(db, circleId, userId);
  await deleteMember(db, circleId, userId);
  await unfollowUnseen(db, userId);
  await leaveLessonsOfStrangers(db, userId);
}

export async function myCircle(db: Db, userId: string, id: string): Promise<Circle> {
  const circle = (await findCircles(db, userId)).find((candidate) => candidate.id === id);
  if (!circle) throw new HttpError('not-found');
  return circle;
}

function refuseLastOwner(members: ReadonlyMap<string, Role>, userId: string): void {
  const others = [...members].filter(([id, role]) => role === 'owner' && id !== userId);
  if (others.length === 0)
    throw new HttpError(
      'invalid',
      [{ path: 'role', code: 'last-owner', message: 'A circle needs an owner.' }],
      'A circle needs an owner. Make somebody else one first.',
    );
}

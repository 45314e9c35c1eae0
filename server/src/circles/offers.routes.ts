import { api } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import { newToken } from '../access/token';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import type { UserRow } from '../session/users.sql';
import { myCircle } from './circles.routes';
import { deleteInvitation, isMember, lockMembers, upsertMember } from './circles.sql';
import {
  deleteCircleLink,
  findOfferOf,
  insertCircleLink,
  isCircleLink,
  type Offer,
  useCircleLink,
} from './offers.sql';

/** Joining a circle by the token of a link or of a letter. */
export function offerRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.circles.makeLink, may('govern', 'circle'), async ({ user, params, body, log }) => {
    if (await isCircleLink(pool, body.id)) throw new HttpError('already-exists');
    const token = newToken();
    await insertCircleLink(pool, { ...body, circleId: params.id, token, userId: user.id });
    log.info({ userId: user.id, circleId: params.id, role: body.role }, 'link to a circle made');
    return { circle: await myCircle(pool, user.id, params.id), token };
  });

  route(router, pool, api.circles.closeLink, may('govern', 'circle'), async ({ user, params }) => {
    if (!(await deleteCircleLink(pool, params.id, params.linkId))) throw new HttpError('not-found');
    return myCircle(pool, user.id, params.id);
  });

  route(router, pool, api.circles.offer, 'signed-in', async ({ user, body: { token } }) => {
    const { circleId, circleName, role, invitedBy } = await openOffer(pool, user, token);
    return { circleName, role, invitedBy, member: await isMember(pool, circleId, user.id) };
  });

  route(router, pool, api.circles.take, 'signed-in', async ({ user, body: { token, accept }, log }) => {
    const circleId = await pool.transaction(async (db) => {
      const offer = await openOffer(db, user, token);
      const members = await lockMembers(db, offer.circleId);
      if (offer.email !== null) await deleteInvitation(db, offer.circleId, offer.email);
      else if (accept && !members?.has(user.id) && !(await useCircleLink(db, token)))
        throw new HttpError('not-found', [], WHY_NOT.used);
      // Who is in already keeps the role he has, and a link that he tried is still for somebody.
      if (accept && !members?.has(user.id)) await upsertMember(db, offer.circleId, user.id, offer.role);
      return offer.circleId;
    });
    log.info({ userId: user.id, circleId, accept }, 'offer of a circle answered');
    return { ok: true as const };
  });
}

const WHY_NOT = {
  used: 'This link was used already: each is for one person. Ask for one of your own.',
  over: 'This link has run out. Ask for a new one.',
} as const;

/** @throws HttpError 'not-found' with why; 'forbidden' for a letter to another address, which it does not tell */
async function openOffer(db: Db, user: UserRow, token: string): Promise<Offer> {
  const offer = await findOfferOf(db, token);
  if (!offer)
    throw new HttpError(
      'not-found',
      [],
      'There is no such invitation: it was answered or taken back, or the link is not whole.',
    );
  if (offer.state !== 'open') throw new HttpError('not-found', [], WHY_NOT[offer.state]);
  if (offer.email !== null && offer.email !== user.email)
    throw new HttpError(
      'forbidden',
      [],
      'This invitation was written to another address than yours. Sign in with that one, or ask for a link.',
    );
  return offer;
}

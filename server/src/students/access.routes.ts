import { api, type StudentAccess } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import { forgetOutcomes } from '../circles/outcomes.sql';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import type { UserRow } from '../session/users.sql';
import {
  answerStudent,
  areFellows,
  endAccess,
  findAccess,
  findIncoming,
  giveAccess,
  leaveComingLessons,
  offerStudent,
  withdrawStudent,
} from './access.sql';
import { lockStudents } from './students.sql';

/** Who sees a student's record: given by name and for a time, ended, and handed over whole. */
export function accessRoutes(router: Router, pool: Pool): void {
  const told = (user: UserRow, id: string): Promise<StudentAccess> => findAccess(pool, id, user.id);

  route(router, pool, api.access.get, may('give', 'student'), ({ user, params }) => told(user, params.id));

  route(router, pool, api.access.give, may('give', 'student'), async ({ user, params, body, log }) => {
    await refuseUnlessFellow(pool, user.id, params.userId);
    if (body.untilOn !== null && body.untilOn < today())
      throw new HttpError('invalid', [{ path: 'untilOn', code: 'past', message: 'must be today or later' }]);
    await giveAccess(pool, params.id, params.userId, body.untilOn);
    log.info({ userId: user.id, studentId: params.id, toId: params.userId }, 'record given');
    return told(user, params.id);
  });

  route(router, pool, api.access.end, may('give', 'student'), async ({ user, params, log }) => {
    await pool.transaction(async (db) => {
      if (!(await endAccess(db, params.id, params.userId))) throw new HttpError('not-found');
      await leaveComingLessons(db, params.id, params.userId);
    });
    log.info({ userId: user.id, studentId: params.id, toId: params.userId }, 'record taken back');
    return told(user, params.id);
  });

  route(
    router,
    pool,
    api.access.handOver,
    may('hand-over', 'student'),
    async ({ user, params, body, log }) => {
      await refuseUnlessFellow(pool, user.id, body.userId);
      if (body.consentOn > today())
        throw new HttpError('invalid', [{ path: 'consentOn', code: 'future', message: 'is still to come' }]);
      const { userId: toId, consentBy, consentOn } = body;
      await pool.transaction(async (db) => {
        await lockStudents(db, [params.id]);
        await offerStudent(db, { studentId: params.id, fromId: user.id, toId, consentBy, consentOn });
      });
      log.info({ userId: user.id, studentId: params.id, toId }, 'student offered');
      return told(user, params.id);
    },
  );

  route(router, pool, api.access.keep, may('hand-over', 'student'), async ({ user, params }) => {
    if (!(await withdrawStudent(pool, params.id))) throw new HttpError('not-found');
    return told(user, params.id);
  });

  route(router, pool, api.access.incoming, 'signed-in', ({ user }) => findIncoming(pool, user.id));

  route(router, pool, api.access.answer, 'signed-in', async ({ user, params, body: { accept }, log }) => {
    await pool.transaction(async (db) => {
      await lockStudents(db, [params.id]);
      const fromId = await answerStudent(db, params.id, user.id, accept);
      if (fromId === null) throw new HttpError('not-found', [], 'That was taken back, or answered already.');
      // Sums of a school are added up anew: the student is another's from here on.
      if (accept) for (const id of [fromId, user.id]) await forgetOutcomes(db, id);
    });
    log.info({ userId: user.id, studentId: params.id, accept }, 'offer of a student answered');
    return { ok: true as const };
  });
}

const today = (): string => new Date().toISOString().slice(0, 10);

/** @throws HttpError 'invalid' for whoever is in no circle of the keeper: nobody is found by asking */
async function refuseUnlessFellow(db: Db, userId: string, otherId: string): Promise<void> {
  if (!(await areFellows(db, userId, otherId)))
    throw new HttpError('invalid', [
      { path: 'userId', code: 'unknown', message: 'is in no circle with you' },
    ]);
}

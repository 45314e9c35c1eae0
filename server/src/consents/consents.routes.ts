import { ageOn, api } from '@doceo/contract';
import { ADULT_AGE } from '@doceo/core';
import type { Router } from 'express';
import { may } from '../access/access';
import { newToken } from '../access/token';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import type { Mail } from '../mail/mail';
import { findStudentsById, updateStudent } from '../students/students.sql';
import {
  findConsentNews,
  findConsents,
  insertConsent,
  isConsent,
  knowGuardian,
  withdrawConsent,
} from './consents.sql';

/**
 * An instructor asks a guardian, and says who it was that answered.
 *
 * @param admit whether somebody may write to yet another address
 */
export function consentRoutes(
  router: Router,
  pool: Pool,
  mail: Mail,
  admit: (userId: string) => Promise<void>,
): void {
  route(router, pool, api.consents.news, 'signed-in', ({ user }) => findConsentNews(pool, user.id));

  route(router, pool, api.consents.list, may('ask-guardian', 'student'), ({ params: { id } }) =>
    findConsents(pool, id),
  );

  route(
    router,
    pool,
    api.consents.ask,
    may('ask-guardian', 'student'),
    async ({ user, params, body, log }) => {
      if (await isConsent(pool, body.id)) throw new HttpError('already-exists');
      const [saved] = await findStudentsById(pool, user.id, [params.id]);
      if (!saved) throw new HttpError('not-found');
      const age = ageOn(saved.student.bornOn, new Date().toISOString());
      if (age !== null && age >= ADULT_AGE)
        throw new HttpError('invalid', [
          { path: 'guardianName', code: 'of-age', message: 'is asked of a minor only' },
        ]);
      if (body.email !== null && mail.kind === 'none')
        throw new HttpError('invalid', [
          { path: 'email', code: 'no-mail', message: 'no letters go out from here; hand over a link' },
        ]);
      if (body.email !== null) await admit(user.id);
      const token = body.email === null ? newToken() : null;
      await pool.transaction(async (db) => {
        await updateStudent(db, user.id, params.id, { ...saved.student, guardianName: body.guardianName });
        await insertConsent(db, { ...body, studentId: params.id, userId: user.id, token });
        if (body.email !== null) await mail.queue(db, 'consent-asked', body.email, { consentId: body.id });
      });
      mail.look();
      log.info({ userId: user.id, studentId: params.id, consentId: body.id }, 'guardian asked');
      return { asked: await findConsents(pool, params.id), token };
    },
  );

  route(router, pool, api.consents.know, may('ask-guardian', 'student'), async ({ user, params, log }) => {
    const known = await pool.transaction((db) => knowGuardian(db, params.id, params.consentId));
    if (!known) throw new HttpError('not-found');
    log.info({ userId: user.id, studentId: params.id, consentId: params.consentId }, 'guardian known');
    return findConsents(pool, params.id);
  });

  route(router, pool, api.consents.withdraw, may('ask-guardian', 'student'), async ({ params }) => {
    if (!(await withdrawConsent(pool, params.id, params.consentId))) throw new HttpError('not-found');
    return findConsents(pool, params.id);
  });
}

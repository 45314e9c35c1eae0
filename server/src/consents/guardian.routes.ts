import { api, type ConsentPage } from '@doceo/contract';
import type { Router } from 'express';
import { holdsConsent } from '../access/access';
import { forgetOutcomes } from '../circles/outcomes.sql';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findRule } from '../keeping/keeping.sql';
import type { Mail } from '../mail/mail';
import { findAccess } from '../students/access.sql';
import { deleteStudent } from '../students/privacy.sql';
import { hasManyEvents } from '../events/events.sql';
import { studentFile } from '../students/student-file';
import { findStudentsById } from '../students/students.sql';
import {
  answerConsent,
  countOfStudent,
  findHeldConsent,
  type HeldConsent,
  lockHeldConsent,
  takeConsentBack,
} from './consents.sql';

type Holding = { token: string; key: string | null };

/** What a guardian does behind the link of a letter or a code: read, answer, take back, take along, have deleted. */
export function guardianRoutes(router: Router, pool: Pool, mail: Mail): void {
  route(router, pool, api.guardian.look, holdsConsent('see'), async ({ body }) =>
    pageOf(pool, await held(pool, body)),
  );

  route(router, pool, api.guardian.answer, holdsConsent('answer'), async ({ body, log }) => {
    const consent = await pool.transaction(async (db) => {
      const now = await heldForChange(db, body);
      if (now.state !== 'asked' && !now.mine)
        throw new HttpError(
          'forbidden',
          [],
          'It was answered already, on another device. Ask for a new link.',
        );
      const known = sameName(body.name, now.guardianName);
      await answerConsent(db, now, { ...body, known });
      return now;
    });
    log.info({ consentId: consent.id, given: body.given }, 'a guardian answered');
    return pageOf(pool, await held(pool, body));
  });

  route(router, pool, api.guardian.takeBack, holdsConsent('take-back'), async ({ body, log }) => {
    const consent = await pool.transaction(async (db) => {
      const now = await heldForChange(db, body);
      if (now.state !== 'given' && now.state !== 'look')
        throw new HttpError('not-found', [], 'No consent stands by this link; nothing is recorded by it.');
      await takeConsentBack(db, now);
      await mail.queue(db, 'consent-taken-back', now.keeper.email, { studentId: now.studentId });
      return now;
    });
    mail.look();
    log.info({ consentId: consent.id }, 'a guardian took a consent back');
    return pageOf(pool, await held(pool, body));
  });

  route(router, pool, api.guardian.file, holdsConsent('have'), async ({ body, log, passOnIf }) => {
    const { id, studentId, keeper } = await held(pool, body);
    passOnIf(await hasManyEvents(pool, 'student_id', [studentId]));
    const [saved] = await findStudentsById(pool, keeper.id, [studentId]);
    if (!saved) throw new HttpError('not-found');
    log.info({ consentId: id, studentId }, 'a guardian took a record along');
    return studentFile(pool, saved);
  });

  route(router, pool, api.guardian.remove, holdsConsent('have'), async ({ body, log }) => {
    const consent = await pool.transaction(async (db) => {
      const now = await heldForChange(db, body);
      if (!sameName(body.studentName, now.studentName))
        throw new HttpError('invalid', [
          { path: 'studentName', code: 'other', message: 'is not the name of the student' },
        ]);
      await deleteStudent(db, now.keeper.id, now.studentId);
      await forgetOutcomes(db, now.keeper.id);
      await mail.queue(db, 'record-removed', now.keeper.email);
      return now;
    });
    mail.look();
    log.info({ consentId: consent.id, studentId: consent.studentId }, 'a guardian had a student deleted');
    return { ok: true as const };
  });
}

async function held(db: Db, holding: Holding): Promise<HeldConsent> {
  const found = await findHeldConsent(db, holding);
  if (!found) throw new HttpError('not-found');
  return found;
}

/** The same once nobody else can change it: of two at once one is late, and an entry that arrives waits. */
async function heldForChange(db: Db, holding: Holding): Promise<HeldConsent> {
  // The first statement: what was read before the lock would stay as it was then.
  await lockHeldConsent(db, holding.token);
  return held(db, holding);
}

/** What may be told: whoever did not give the answer learns nothing of it but that there is one. */
async function pageOf(db: Db, consent: HeldConsent): Promise<ConsentPage> {
  const { state, mine, studentName, keeper } = consent;
  const open = mine || state === 'asked';
  const has = mine && consent.known ? await countOfStudent(db, consent.studentId) : null;
  return {
    state,
    studentName: mine ? studentName : (studentName.split(/\s/)[0] ?? ''),
    instructor: keeper.name,
    seenBy: open ? (await findAccess(db, consent.studentId, keeper.id)).people.map(({ name }) => name) : [],
    keptFor: open ? ((await findRule(db, keeper.id))?.rule ?? null) : null,
    mine,
    byName: mine ? consent.byName : null,
    answeredAt: mine ? consent.answeredAt : null,
    takenBackAt: mine ? consent.takenBackAt : null,
    has,
  };
}

/** Whether two spellings are one name: capitals, accents and spaces are no difference. */
export function sameName(one: string, other: string): boolean {
  return plain(one) === plain(other);
}

function plain(name: string): string {
  return name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

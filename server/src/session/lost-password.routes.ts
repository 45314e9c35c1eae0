import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { endSessions } from '../http/sessions';
import type { Mail } from '../mail/mail';
import { closePasswordLinks, findPasswordLink, type PasswordLink } from './password-links.sql';
import { hashPassword, passwordIssues } from './passwords';
import type { SignInGuard } from './sign-in-guard';
import { updatePassword } from './users.sql';

/** A lost password, replaced by the link of a letter. */
export function lostPasswordRoutes(router: Router, pool: Pool, guard: SignInGuard, mail: Mail): void {
  route(router, pool, api.session.lost, 'anybody', async ({ body: { email }, request }) => {
    if (mail.kind === 'none')
      throw new HttpError('forbidden', [], 'No letters go out from here. Ask who runs this installation.');
    // Nothing is looked up here: who has an account and who has none is asked when the letter goes.
    if (await guard.admitLetter(request.ip ?? '', email)) await mail.queue(pool, 'lost-password', email);
    mail.look();
    return { ok: true as const };
  });

  route(router, pool, api.session.lostLink, 'anybody', async ({ body: { token } }) => {
    const { email, name } = await openLink(pool, token);
    return { email, name };
  });

  route(router, pool, api.session.lostAnswer, 'anybody', async ({ body: { token, password }, log }) => {
    const { email, name } = await openLink(pool, token);
    const issues = passwordIssues(password, [email, name], 'password');
    if (issues.length > 0) throw new HttpError('invalid', issues);
    const passwordHash = await hashPassword(password);
    const userId = await pool.transaction(async (db) => {
      // Once more, now that nobody else can use it: of two at once one is late.
      const link = await openLink(db, token);
      await updatePassword(db, link.userId, passwordHash);
      await closePasswordLinks(db, link.userId);
      await endSessions(db, link.userId);
      await mail.queue(db, 'password-changed', link.email);
      return link.userId;
    });
    mail.look();
    log.info({ userId }, 'password replaced by a letter');
    return { ok: true as const };
  });
}

const WHY_NOT: Record<Exclude<PasswordLink['state'], 'open'>, string> = {
  used: 'This link was used already. Ask for another letter if you need one.',
  replaced: 'A newer letter was sent after this one. Use the link in that.',
  over: 'This link has run out. Ask for another letter.',
};

/** @throws HttpError 'not-found' with why */
async function openLink(db: Db, token: string): Promise<PasswordLink> {
  const link = await findPasswordLink(db, token);
  if (!link)
    throw new HttpError(
      'not-found',
      [],
      'There is no such link. Copy it whole from the letter, or ask for another.',
    );
  if (link.state !== 'open') throw new HttpError('not-found', [], WHY_NOT[link.state]);
  return link;
}

import { randomBytes, randomUUID } from 'node:crypto';
import { api, type Session } from '@doceo/contract';
import { DEMO_ACCOUNTS } from '@doceo/demo';
import type { Request, Router } from 'express';
import { findInstallation } from '../backup/installation.sql';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { endSessions, sessionCookie } from '../http/sessions';
import { route } from '../http/route';
import type { Settings } from '../settings';
import type { Mail } from '../mail/mail';
import { deleteAskedAccountsOf, findAskedAccount, insertAskedAccount } from './asked-accounts.sql';
import type { KnownDevice } from './known-device';
import { openSession } from './open-session';
import { closePasswordLinks } from './password-links.sql';
import { hashPassword, isPassword, passwordIssues } from './passwords';
import { type SecondFactor, wrongCode } from './second-factor';
import type { SignInGuard } from './sign-in-guard';
import {
  findUserByEmail,
  insertUser,
  keepDeviceKey,
  toUser,
  updatePassword,
  updateSettings,
  type UserRow,
} from './users.sql';

/** What signing in stands on. */
export interface SessionParts {
  guard: SignInGuard;
  known: KnownDevice;
  secondFactor: SecondFactor;
  mail: Mail;
  /** Asks for the password again, whoever has the browser just now; `path` is where the answer says that it is wrong. */
  confirm: (user: UserRow, password: string, request: Request, path?: string) => Promise<void>;
}

/** How somebody who is signed in shows that it is he. @throws HttpError 'wrong-credentials' at the path */
export function confirmation(guard: SignInGuard, known: KnownDevice): SessionParts['confirm'] {
  return async (user, password, request, path = 'password') => {
    const { email } = user;
    const succeeded = await guard.admit({
      address: request.ip ?? '',
      email,
      device: known.of(request, email),
    });
    if (!(await isPassword(user.password_hash, password))) throw wrongPassword(path, 'is not right');
    await succeeded();
  };
}

export function sessionRoutes(
  router: Router,
  pool: Pool,
  settings: Settings,
  { guard, known, secondFactor, mail, confirm }: SessionParts,
): void {
  const reply = async (user: UserRow | null): Promise<Session> => ({
    user: user ? toUser(user) : null,
    demo: settings.DOCEO_DEMO && !user ? DEMO_ACCOUNTS : [],
    registration: settings.DOCEO_REGISTRATION,
    mail: mail.kind,
    deviceKey: user
      ? (user.device_key ?? (await keepDeviceKey(pool, user.id, randomBytes(32).toString('base64'))))
      : null,
    installation: user ? await findInstallation(pool) : null,
  });

  route(router, pool, api.session.get, 'anybody', ({ user }) => reply(user));

  route(
    router,
    pool,
    api.session.signIn,
    'anybody',
    async ({ body: { email, password, code }, request, response }) => {
      const succeeded = await guard.admit({
        address: request.ip ?? '',
        email,
        device: known.of(request, email),
      });
      const user = await findUserByEmail(pool, email);
      const right = await isPassword(user?.password_hash ?? null, password);
      if (!user || !right) throw wrongPassword('password');
      if (user.blocked)
        throw new HttpError('forbidden', [], 'This account is closed. Ask who runs this installation.');
      if (user.totp_on) {
        if (code === undefined) {
          await succeeded();
          throw wrongCode('Now the code of your phone, or a spare one.', 'needed');
        }
        await secondFactor.try(user, code);
        mail.look();
      }
      await succeeded();
      await openSession(request, user.id);
      known.mark(response, email);
      return reply(user);
    },
  );

  route(
    router,
    pool,
    api.session.register,
    'anybody',
    async ({ body: { email, password, name }, request, log }) => {
      if (settings.DOCEO_REGISTRATION === 'closed')
        throw new HttpError(
          'forbidden',
          [],
          'New accounts are made by the administrator of this installation.',
        );
      const issues = passwordIssues(password, [email, name], 'password');
      if (issues.length > 0) throw new HttpError('invalid', issues);
      await guard.admitAccount(request.ip ?? '');
      // Whether there is an account already shows neither in the answer nor in the time it takes.
      const passwordHash = await hashPassword(password);
      const account = { id: randomUUID(), email, name, passwordHash };
      if (mail.kind === 'server') {
        // The same is done for every address; whether there is an account is asked when the letter goes.
        await pool.transaction(async (db) => {
          await insertAskedAccount(db, account);
          await mail.queue(db, 'confirm-account', email, { askedId: account.id });
        });
      } else {
        const made = await pool.transaction(async (db) => {
          const isNew = await insertUser(db, account);
          await mail.queue(db, 'registered', email, { again: !isNew });
          return isNew;
        });
        if (made) log.info({ userId: account.id }, 'account made');
      }
      mail.look();
      return { ok: true as const };
    },
  );

  route(router, pool, api.session.confirm, 'anybody', async ({ body: { token }, log }) => {
    const email = await pool.transaction(async (db) => {
      const asked = await findAskedAccount(db, token);
      if (!asked)
        throw new HttpError(
          'not-found',
          [],
          'This link makes no account: it was opened already, has run out, or is not whole. Sign in, or ask again.',
        );
      await deleteAskedAccountsOf(db, asked.email);
      if (await insertUser(db, asked)) log.info({ userId: asked.id }, 'account made');
      return asked.email;
    });
    return { email };
  });

  route(router, pool, api.session.signOut, 'anybody', async ({ request, response }) => {
    // A page of somebody who had the browser before does not end the session of who has it now.
    const claimed = request.get('doceo-user');
    if (claimed && claimed !== request.session.userId) return { ok: true as const };
    await new Promise<void>((done, fail) =>
      request.session.destroy((error) => (error ? fail(error) : done())),
    );
    response.clearCookie(sessionCookie(settings.DOCEO_SECURE_COOKIES), {
      path: '/',
      httpOnly: true,
      sameSite: 'lax',
      secure: settings.DOCEO_SECURE_COOKIES,
    });
    return { ok: true as const };
  });

  route(router, pool, api.session.settings, 'signed-in', async ({ user, body }) => {
    await updateSettings(pool, user.id, body);
    return body;
  });

  route(router, pool, api.session.changePassword, 'signed-in', async ({ user, body, request, log }) => {
    await confirm(user, body.current, request, 'current');
    const issues = passwordIssues(body.next, [user.email, user.name], 'next');
    if (issues.length > 0) throw new HttpError('invalid', issues);
    const passwordHash = await hashPassword(body.next);
    await pool.transaction(async (db) => {
      await updatePassword(db, user.id, passwordHash);
      await closePasswordLinks(db, user.id);
      await endSessions(db, user.id);
      await mail.queue(db, 'password-changed', user.email);
    });
    mail.look();
    await openSession(request, user.id);
    log.info({ userId: user.id }, 'password changed');
    return { ok: true as const };
  });
}

function wrongPassword(path: string, message = 'E-mail or password is not right.'): HttpError {
  return new HttpError('wrong-credentials', [{ path, code: 'wrong', message }]);
}

import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { api, type Session } from '@doceo/contract';
import { DEMO_ACCOUNTS } from '@doceo/demo';
import type { Request, Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { signInLimit } from '../http/rate-limit';
import { route } from '../http/route';
import type { Settings } from '../settings';
import { findUserByEmail, insertUser, toUser, updateSettings, type UserRow } from './users.sql';

export function sessionRoutes(router: Router, pool: Pool, settings: Settings): void {
  const reply = (user: UserRow | null): Session => ({
    user: user ? toUser(user) : null,
    demo: settings.DOCEO_DEMO && !user ? DEMO_ACCOUNTS : [],
  });

  router.post(api.session.signIn.path, signInLimit(pool));
  router.post(api.session.register.path, signInLimit(pool));

  route(router, pool, api.session.get, async ({ user }) => reply(user));

  route(router, pool, api.session.signIn, async ({ body, request }) => {
    const user = await findUserByEmail(pool, body.email);
    const known = await verify(user?.password_hash ?? (await decoyHash()), body.password);
    if (!user || !known)
      throw new HttpError('wrong-credentials', [
        { path: 'password', code: 'wrong', message: 'E-mail or password is not right.' },
      ]);
    await openSession(request, user.id);
    return reply(user);
  });

  route(router, pool, api.session.register, async ({ body, request }) => {
    if (await findUserByEmail(pool, body.email))
      throw new HttpError('already-exists', [
        { path: 'email', code: 'taken', message: 'There is an account with this e-mail.' },
      ]);
    await insertUser(pool, {
      id: randomUUID(),
      email: body.email,
      name: body.name,
      passwordHash: await hash(body.password),
    });
    const user = await findUserByEmail(pool, body.email);
    await openSession(request, user?.id ?? '');
    return reply(user);
  });

  route(router, pool, api.session.signOut, async ({ request, response }) => {
    await new Promise<void>((done, fail) =>
      request.session.destroy((error) => (error ? fail(error) : done())),
    );
    response.clearCookie('doceo');
    return { ok: true as const };
  });

  route(router, pool, api.session.settings, async ({ user, body }) => {
    await updateSettings(pool, user.id, body);
    return body;
  });
}

/** A new session id at every sign-in, so that one planted beforehand is worth nothing. */
function openSession(request: Request, userId: string): Promise<void> {
  return new Promise((done, fail) => {
    request.session.regenerate((error) => {
      if (error) return fail(error);
      request.session.userId = userId;
      request.session.save((failed) => (failed ? fail(failed) : done()));
    });
  });
}

let decoy: Promise<string> | undefined;

/** Verified against when the e-mail is unknown, so that the answer takes as long. */
function decoyHash(): Promise<string> {
  decoy ??= hash(randomUUID());
  return decoy;
}

import { api } from '@doceo/contract';
import type { Request, Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { endSessions } from '../http/sessions';
import type { UserRow } from '../session/users.sql';
import { accountFile } from './account-file';
import { findAccountEffect } from './accounts.sql';
import { removeAccount } from './remove-account';
import { endSignIn, findSignIns } from './sign-ins.sql';

/** @param confirm asks for the password, whoever has the browser just now */
export function accountRoutes(
  router: Router,
  pool: Pool,
  confirm: (user: UserRow, password: string, request: Request) => Promise<void>,
): void {
  route(router, pool, api.account.deletionPreview, 'signed-in', ({ user }) =>
    findAccountEffect(pool, user.id),
  );

  route(router, pool, api.account.remove, 'signed-in', async ({ user, body, request, log }) => {
    await confirm(user, body.password, request);
    await removeAccount(pool, user.id);
    log.info({ userId: user.id }, 'account deleted');
    return { ok: true as const };
  });

  route(router, pool, api.account.file, 'signed-in', async ({ user, body, request, log, passOnIf }) => {
    passOnIf(true);
    await confirm(user, body.password, request);
    log.info({ userId: user.id }, 'account taken along');
    return accountFile(pool, user);
  });

  route(router, pool, api.account.signIns, 'signed-in', ({ user, request }) =>
    findSignIns(pool, user.id, request.session.id),
  );

  route(router, pool, api.account.endSignIn, 'signed-in', async ({ user, params, request, log }) => {
    if (!(await endSignIn(pool, user.id, params.id))) throw new HttpError('not-found');
    log.info({ userId: user.id }, 'sign-in ended');
    return findSignIns(pool, user.id, request.session.id);
  });

  route(router, pool, api.account.endOtherSignIns, 'signed-in', async ({ user, request, log }) => {
    await endSessions(pool, user.id, request.session.id);
    log.info({ userId: user.id }, 'other sign-ins ended');
    return findSignIns(pool, user.id, request.session.id);
  });
}

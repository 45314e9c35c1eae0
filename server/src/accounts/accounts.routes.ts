import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { route } from '../http/route';
import { isPassword } from '../session/passwords';
import type { SignInGuard } from '../session/sign-in-guard';
import { wrongPassword } from '../session/session.routes';
import { findAccountEffect } from './accounts.sql';
import { removeAccount } from './remove-account';

export function accountRoutes(router: Router, pool: Pool, guard: SignInGuard): void {
  route(router, pool, api.account.deletionPreview, 'signed-in', ({ user }) =>
    findAccountEffect(pool, user.id),
  );

  route(router, pool, api.account.remove, 'signed-in', async ({ user, body, request, log }) => {
    const succeeded = await guard.admit({ address: request.ip ?? '', email: user.email, device: null });
    if (!(await isPassword(user.password_hash, body.password)))
      throw wrongPassword('password', 'is not right');
    await succeeded();
    await removeAccount(pool, user.id);
    log.info({ userId: user.id }, 'account deleted');
    return { ok: true as const };
  });
}

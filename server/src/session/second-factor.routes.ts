import { api } from '@doceo/contract';
import type { Request, Router } from 'express';
import type { Pool } from '../db/pool';
import { route } from '../http/route';
import type { Mail } from '../mail/mail';
import type { SecondFactor } from './second-factor';
import { countSpareCodes } from './second-factor.sql';
import type { UserRow } from './users.sql';

/** @param confirm asks for the password, whoever has the browser just now */
export function secondFactorRoutes(
  router: Router,
  pool: Pool,
  secondFactor: SecondFactor,
  mail: Mail,
  confirm: (user: UserRow, password: string, request: Request) => Promise<void>,
): void {
  route(router, pool, api.account.secondFactor, 'signed-in', async ({ user }) => ({
    on: Boolean(user.totp_on),
    spareCodes: await countSpareCodes(pool, user.id),
  }));

  route(router, pool, api.account.offerSecondFactor, 'signed-in', async ({ user, body, request }) => {
    await confirm(user, body.password, request);
    return secondFactor.offer(user);
  });

  route(router, pool, api.account.beginSecondFactor, 'signed-in', async ({ user, body, log }) => {
    const spareCodes = await secondFactor.begin(user, body.code);
    mail.look();
    log.info({ userId: user.id }, 'second factor on');
    return { spareCodes };
  });

  route(router, pool, api.account.endSecondFactor, 'signed-in', async ({ user, body, request, log }) => {
    await confirm(user, body.password, request);
    await secondFactor.end(user, body.code);
    mail.look();
    log.info({ userId: user.id }, 'second factor off');
    return { ok: true as const };
  });
}

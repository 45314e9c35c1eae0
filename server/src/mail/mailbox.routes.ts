import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import type { Mail } from './mail';
import { findStandInMails } from './stand-in.sql';

/** The mailbox that ships with the demo; where letters really go out there is none. */
export function mailboxRoutes(router: Router, pool: Pool, mail: Mail): void {
  route(router, pool, api.mailbox.list, 'anybody', () => {
    if (mail.kind !== 'stand-in') throw new HttpError('not-found');
    return findStandInMails(pool);
  });
}

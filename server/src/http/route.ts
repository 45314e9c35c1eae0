import { type Endpoint, halfCharacters } from '@doceo/contract';
import type { Request, Response, Router } from 'express';
import type { Logger } from 'pino';
import * as z from 'zod';
import { refuseAssistant } from '../access/assistant';
import { needsSession, refuseUnlessAllowed, type Rule } from '../access/access';
import { bePatient, LONG_PATIENCE_MS } from '../db/patience';
import type { Pool } from '../db/pool';
import type { UserRow } from '../session/users.sql';
import { type PassOnIf, passingOn } from '../large/too-much';
import { HttpError } from './errors';
import { userOf } from './sessions';
import { tolerant } from './tolerant';

declare module 'express-session' {
  interface SessionData {
    userId: string;
    /** What the browser said it is when it signed in. */
    browser: string;
  }
}

/** What every handler gets. */
export interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  /** Present wherever the rule asks for a session. */
  user: UserRow;
  request: Request;
  response: Response;
  log: Logger;
  /** Where large requests are answered elsewhere this one is too, from here on, if it turns out to be one. */
  passOnIf: PassOnIf;
}

/**
 * Puts one endpoint of the contract on the router: session, parsed input, permission, handler, checked reply.
 *
 * Input that breaks the contract becomes 400 with the path of each issue. Replies are checked for their fields, not for
 * the limits of today's input: what was stored under older ones is told too.
 *
 * @param rule who may call it; see `access`
 */
export function route<P, Q, B, R>(
  router: Router,
  pool: Pool,
  endpoint: Endpoint<P, Q, B, R>,
  rule: Rule<{ params: P; body: B }>,
  handle: (call: Call<P, Q, B>) => Promise<R>,
): void {
  const told = tolerant(endpoint.reply);
  router[endpoint.method](endpoint.path, async (request, response) => {
    if (endpoint.slow) bePatient(LONG_PATIENCE_MS);
    const user = userOf(request);
    if (needsSession(rule) && !user) throw new HttpError('signed-out');
    if (user && needsSession(rule)) refuseAssistant(endpoint, user);
    const params = parsed(endpoint.params, request.params, 'not-found');
    const query = parsed(endpoint.query, request.query);
    const body = parsed(endpoint.body, request.body ?? {});
    // Where the parts of a body are judged one by one, whoever reads them looks at this too.
    const halves = endpoint.describedBody ? [] : halfCharacters(body);
    if (halves.length > 0) throw new HttpError('invalid', halves);
    await refuseUnlessAllowed(pool, rule, user, { params, body });
    const log = (request as unknown as { log: Logger }).log;
    const passOnIf = passingOn(request);
    const reply = told.safeParse(
      await handle({ params, query, body, user: user as UserRow, request, response, log, passOnIf }),
    );
    if (!reply.success)
      throw new Error(
        `Reply of ${endpoint.method} ${endpoint.path} breaks its contract: ${z.prettifyError(reply.error)}`,
      );
    response.setHeader('Cache-Control', 'no-store');
    response.json(reply.data);
  });
}

function parsed<T>(schema: z.ZodType<T>, value: unknown, otherwise?: 'not-found'): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw otherwise ? new HttpError(otherwise) : result.error;
}

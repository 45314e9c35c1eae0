import type { Endpoint } from '@doceo/contract';
import type { Request, Response, Router } from 'express';
import * as z from 'zod';
import type { Pool } from '../db/pool';
import { findUser, type UserRow } from '../session/users.sql';
import { HttpError } from './errors';

declare module 'express-session' {
  interface SessionData {
    userId: string;
  }
}

/** What every handler gets. */
export interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  pool: Pool;
  request: Request;
  response: Response;
}

export interface UserCall<P, Q, B> extends Call<P, Q, B> {
  user: UserRow;
}

/**
 * Puts one endpoint of the contract on the router: session, parsed input, handler, checked reply.
 *
 * Input that breaks the contract becomes 400 with the path of each issue; a reply that breaks it is our own fault
 * and becomes 500.
 */
export function route<P, Q, B, R>(
  router: Router,
  pool: Pool,
  endpoint: Endpoint<P, Q, B, R>,
  handle: (call: UserCall<P, Q, B>) => Promise<R>,
): void {
  router[endpoint.method](endpoint.path, async (request, response) => {
    const user = await userOf(request, pool);
    if (endpoint.access === 'user' && !user) throw new HttpError('signed-out');
    const call = {
      params: parsed(endpoint.params, request.params, 'not-found'),
      query: parsed(endpoint.query, request.query),
      body: parsed(endpoint.body, request.body ?? {}),
      pool,
      request,
      response,
      user: user as UserRow,
    };
    const reply = endpoint.reply.safeParse(await handle(call));
    if (!reply.success)
      throw new Error(
        `Reply of ${endpoint.method} ${endpoint.path} breaks its contract: ${z.prettifyError(reply.error)}`,
      );
    response.setHeader('Cache-Control', 'no-store');
    response.json(reply.data);
  });
}

async function userOf(request: Request, pool: Pool): Promise<UserRow | null> {
  const id = request.session?.userId;
  return id ? findUser(pool, id) : null;
}

function parsed<T>(schema: z.ZodType<T>, value: unknown, otherwise?: 'not-found'): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  if (otherwise) throw new HttpError(otherwise);
  throw result.error;
}

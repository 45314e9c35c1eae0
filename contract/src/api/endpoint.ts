import * as z from 'zod';
import { emptySchema, idSchema } from '../common';
import type { Endpoint } from '../http/endpoint';

/** A thing named in the path. */
export const byId = z.strictObject({ id: idSchema });

/** One route of the table: what is not said is empty, and for whoever is signed in. */
export function endpoint<
  P = Record<string, never>,
  Q = Record<string, never>,
  B = Record<string, never>,
  R = unknown,
>(
  method: Endpoint['method'],
  path: string,
  summary: string,
  parts: {
    access?: 'public';
    params?: z.ZodType<P>;
    query?: z.ZodType<Q>;
    body?: z.ZodType<B>;
    describedBody?: z.ZodType;
    reply: z.ZodType<R>;
    slow?: true;
    maxBytes?: number;
  },
): Endpoint<P, Q, B, R> {
  return {
    method,
    path: `/api${path}`,
    summary,
    access: parts.access ?? 'user',
    params: parts.params ?? (emptySchema as unknown as z.ZodType<P>),
    query: parts.query ?? (emptySchema as unknown as z.ZodType<Q>),
    body: parts.body ?? (emptySchema as unknown as z.ZodType<B>),
    describedBody: parts.describedBody,
    reply: parts.reply,
    slow: parts.slow,
    maxBytes: parts.maxBytes,
  };
}

import type * as z from 'zod';

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** One route of the API: everything that crosses the border, as schemas. */
export interface Endpoint<Params = unknown, Query = unknown, Body = unknown, Reply = unknown> {
  method: Method;
  /** Express style, e.g. `/api/plans/:id`. */
  path: string;
  access: 'public' | 'user';
  summary: string;
  params: z.ZodType<Params>;
  query: z.ZodType<Query>;
  body: z.ZodType<Body>;
  /** The body as the API's description tells it, where that says more than what is checked of the whole. */
  describedBody?: z.ZodType | undefined;
  /** Brings or takes a whole record, and may take its time. */
  slow?: boolean | undefined;
  /** The largest body in bytes, where it may be larger than the bodies of the others. */
  maxBytes?: number | undefined;
  reply: z.ZodType<Reply>;
}

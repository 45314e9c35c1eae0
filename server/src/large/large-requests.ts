import { allEndpoints } from '@doceo/contract';
import { type Request, Router } from 'express';
import type { LargeProcess } from './large-process';

/** A body up to here is read and checked within a few milliseconds, bytes. */
const SMALL_BYTES = 60_000;

/** Hands requests that bring much to the process for them, before anything of them is read. */
export function largeRequests(large: LargeProcess): Router {
  const router = Router();
  for (const { method, path, maxBytes } of allEndpoints())
    if (maxBytes !== undefined)
      router[method](path, (request, response, next) => {
        if (bringsMuch(request)) large.answer(request, response, next);
        else next();
      });
  return router;
}

/** Also where nobody says how much. */
function bringsMuch({ headers }: Request): boolean {
  const isUnknown = headers['transfer-encoding'] ?? headers['content-encoding'];
  return isUnknown !== undefined || Number(headers['content-length']) > SMALL_BYTES;
}

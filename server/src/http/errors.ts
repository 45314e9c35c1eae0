import { type ErrorBody, type ErrorCode, type Issue, toIssues } from '@doceo/contract';
import { CoreError } from '@doceo/core';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import * as z from 'zod';
import { failureOf } from '../db/failures';

const STATUS: Record<ErrorCode, number> = {
  invalid: 400,
  unreadable: 400,
  'too-large': 413,
  'wrong-content-type': 415,
  'signed-out': 401,
  'wrong-credentials': 401,
  forbidden: 403,
  'not-found': 404,
  'version-conflict': 409,
  'already-exists': 409,
  'in-use': 409,
  'too-many': 429,
  'cross-site': 403,
  unavailable: 503,
  internal: 500,
};

const MESSAGES: Record<ErrorCode, string> = {
  invalid: 'Something in it is not right.',
  unreadable: 'The request is no readable JSON.',
  'too-large': 'That is too large.',
  'wrong-content-type': 'The body must be JSON.',
  'signed-out': 'Please sign in.',
  'wrong-credentials': 'E-mail or password is not right.',
  forbidden: 'You may not do that.',
  'not-found': 'There is no such thing, or it is not yours to see.',
  'version-conflict': 'Somebody saved it in the meantime.',
  'already-exists': 'It exists already.',
  'in-use': 'Something else still needs it.',
  'too-many': 'Too many tries. Wait a while.',
  'cross-site': 'The request came from another site.',
  unavailable: 'The database does not answer. Try again in a moment.',
  internal: 'That failed on our side.',
};

/** An expected refusal of a request. */
export class HttpError extends Error {
  readonly status: number;

  constructor(
    readonly code: ErrorCode,
    readonly issues: Issue[] = [],
    message: string = MESSAGES[code],
    /** When a next try makes sense, seconds. */
    readonly retryAfterS: number | null = null,
  ) {
    super(message);
    this.status = STATUS[code];
  }
}

/** Refusals by what a failed statement means. */
const BY_FAILURE: Partial<Record<ReturnType<typeof failureOf>, ErrorCode>> = {
  again: 'unavailable',
  away: 'unavailable',
  'parent-gone': 'not-found',
  'in-use': 'in-use',
  taken: 'already-exists',
  unstorable: 'invalid',
};

/** Maps whatever was thrown to the one error shape. */
export function toHttpError(error: unknown): HttpError {
  if (error instanceof HttpError) return error;
  if (error instanceof z.ZodError) return new HttpError('invalid', toIssues(error));
  if (error instanceof CoreError)
    return new HttpError('invalid', [
      { path: String(error.facts['name'] ?? ''), code: error.code, message: error.message },
    ]);
  if (error instanceof URIError) return new HttpError('not-found');
  const { type, status, sqlState } = (error ?? {}) as { type?: string; status?: number; sqlState?: string };
  if (type === 'entity.too.large') return new HttpError('too-large');
  // What reads bodies says by the status that the request is wrong: its encoding, its length, its end.
  if (sqlState === undefined && status !== undefined && status >= 400 && status < 500)
    return new HttpError('unreadable', [{ path: 'body', code: 'unreadable', message: 'cannot be read' }]);
  return new HttpError(BY_FAILURE[failureOf(error)] ?? 'internal');
}

/** The short name of what went wrong, of a failed statement its number at least. */
function codeOf(error: unknown): string {
  const { code, errno, message } = (error ?? {}) as { code?: string; errno?: number; message?: string };
  return code ?? (errno === undefined ? String(message) : String(errno));
}

/** Refusals an administrator may have to look into; they are noted without what was sent. */
const TOLD: ReadonlySet<ErrorCode> = new Set<ErrorCode>([
  'wrong-credentials',
  'forbidden',
  'too-many',
  'cross-site',
]);

/** Last handler of the application: one shape for all errors; details of unexpected ones only in the log. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) {
      // What fails after the whole answer, as noting a session once more, concerns nobody who uses the connection next.
      if (response.writableEnded) log.warn({ err: error }, 'failed after the answer');
      else next(error);
      return;
    }
    const known = toHttpError(error);
    const requestId = String(response.locals['requestId'] ?? '');
    // Of a database that is away many are told at once: where in the program each one waited says nothing then.
    if (known.code === 'unavailable') log.error({ reason: codeOf(error), requestId }, known.code);
    else if (known.status >= 500) log.error({ err: error, requestId }, known.code);
    else if (TOLD.has(known.code))
      log.info(
        { requestId, userId: request.session?.userId, path: request.path, code: known.code },
        'refused',
      );
    if (known.code === 'unavailable') response.setHeader('Retry-After', '2');
    if (known.retryAfterS !== null) response.setHeader('Retry-After', String(known.retryAfterS));
    const body: ErrorBody = {
      error: { code: known.code, message: known.message, issues: known.issues, requestId },
    };
    response.status(known.status).json(body);
  };
}

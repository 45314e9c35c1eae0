import { type ErrorBody, type ErrorCode, type Issue, toIssues } from '@doceo/contract';
import { CoreError } from '@doceo/core';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import * as z from 'zod';

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
  ) {
    super(message);
    this.status = STATUS[code];
  }
}

const DATABASE_GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'ENOENT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
]);

/** Maps whatever was thrown to the one error shape. */
export function toHttpError(error: unknown): HttpError {
  if (error instanceof HttpError) return error;
  if (error instanceof z.ZodError) return new HttpError('invalid', toIssues(error));
  if (error instanceof CoreError)
    return new HttpError('invalid', [
      { path: String(error.facts['name'] ?? ''), code: error.code, message: error.message },
    ]);
  const { code, type } = (error ?? {}) as { code?: string; type?: string };
  if (type === 'entity.too.large') return new HttpError('too-large');
  if (type?.startsWith('entity.') || type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new HttpError('unreadable');
  if (error instanceof URIError) return new HttpError('not-found');
  if (code === 'ER_DUP_ENTRY') return new HttpError('already-exists');
  if (code && DATABASE_GONE.has(code)) return new HttpError('unavailable');
  return new HttpError('internal');
}

/** Last handler of the application: one shape for all errors; details of unexpected ones only in the log. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    const known = toHttpError(error);
    const requestId = String(response.locals['requestId'] ?? '');
    if (known.status >= 500) log.error({ err: error, requestId }, known.code);
    if (known.code === 'unavailable') response.setHeader('Retry-After', '2');
    const body: ErrorBody = {
      error: { code: known.code, message: known.message, issues: known.issues, requestId },
    };
    response.status(known.status).json(body);
  };
}

import { type IncomingMessage, request as ask } from 'node:http';
import type { Request, Response } from 'express';
import { HttpError } from '../http/errors';
import { Paced } from './paced';

/** Headers of one connection, which the next has by itself. */
const OF_CONNECTION = ['connection', 'keep-alive', 'transfer-encoding', 'upgrade', 'expect'];

/**
 * Passes a request on to whoever listens on a socket of this machine, and the answer back, piece by piece.
 *
 * @throws HttpError 'unavailable' when he goes away before he answers
 */
export function passOn(request: Request, response: Response, socket: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const onward = ask({
      socketPath: socket,
      method: request.method,
      path: request.originalUrl,
      // Kept open, so that what is refused before its end is heard out: else the refusal may be lost.
      headers: { ...whoAsks(request), connection: 'keep-alive' },
      agent: false,
    });
    onward.once('response', (answer) => {
      response.status(answer.statusCode ?? 500);
      for (const [name, value] of Object.entries(ofContent(answer)))
        if (value !== undefined) response.setHeader(name, value);
      answer.pipe(new Paced()).pipe(response);
      answer.once('error', () => response.destroy());
    });
    const paced = new Paced();
    onward.once('error', () => {
      request.unpipe(paced).resume();
      if (!response.headersSent) reject(new HttpError('unavailable'));
    });
    response.once('close', () => {
      onward.destroy();
      resolve();
    });
    if (request.readableEnded) onward.end(bodyOf(request));
    else request.pipe(paced).pipe(onward);
  });
}

/** A body that was read already, as text; it was not one of the large ones. */
function bodyOf({ body }: Request): string {
  return body === undefined ? '' : JSON.stringify(body);
}

function whoAsks(request: Request): Record<string, string | string[] | undefined> {
  const { ['content-encoding']: _, ...read } = ofContent(request);
  return {
    ...(request.readableEnded
      ? { ...read, 'content-length': String(Buffer.byteLength(bodyOf(request))) }
      : ofContent(request)),
    'x-forwarded-for': request.ip,
    'x-forwarded-proto': request.protocol,
  };
}

function ofContent({ headers }: IncomingMessage): IncomingMessage['headers'] {
  return Object.fromEntries(Object.entries(headers).filter(([name]) => !OF_CONNECTION.includes(name)));
}

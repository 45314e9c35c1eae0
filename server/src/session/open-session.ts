import type { Request } from 'express';
import { browserName } from './browser-name';

/** A new session id at every sign-in, so that one planted beforehand is worth nothing. */
export function openSession(request: Request, userId: string): Promise<void> {
  return new Promise((done, fail) => {
    request.session.regenerate((error) => {
      if (error) return fail(error);
      request.session.userId = userId;
      request.session.browser = browserName(request.get('user-agent'));
      request.session.save((failed) => (failed ? fail(failed) : done()));
    });
  });
}

import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Express, type NextFunction, type Request, type Response, static as serveStatic } from 'express';
import { HttpError } from './errors';

/** What may be a file of the build: all that has an ending and is not asked of the API. */
const FILE = /^\/(?!api\/).*\.\w+$/;

/**
 * An application as it was built, but for the files with a hash in their name. The page
 * and the worker that keeps it on a device are of the build this process started with, also when a newer one is being put
 * in its place.
 */
export class Built {
  private readonly html: string | null;
  private readonly worker: string | null;

  /** @param at where it is found: the application itself, or the page of a student */
  constructor(
    private readonly folder: string,
    private readonly at: '' | '/my',
    private readonly workerName: string,
  ) {
    this.html = this.atStart('index.html');
    this.worker = this.atStart(workerName);
  }

  /** Files whose names have no hash: pictures, the worker; asked for anew each time. */
  serveFiles(app: Express): void {
    app.get(`${this.at}/${this.workerName}`, (_request, response) => {
      if (this.worker === null) throw new HttpError('not-found');
      response.setHeader('Cache-Control', 'no-cache');
      response.type('js').send(this.worker);
    });
    const files = serveStatic(this.folder, {
      index: false,
      cacheControl: false,
      setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache'),
    });
    app.use(this.at || '/', (request: Request, response: Response, next: NextFunction) => {
      if (FILE.test(request.path)) files(request, response, next);
      else next();
    });
  }

  /** Every path without an ending is one of the page's own. */
  servePage(app: Express): void {
    app.get(this.at === '' ? /^\/(?!api\/)[^.]*$/ : /^\/my(\/[^.]*)?$/, (_request, response) => {
      if (this.html === null) throw new HttpError('not-found');
      response.setHeader('X-Robots-Tag', 'noindex, nofollow');
      response.setHeader('Cache-Control', 'no-store');
      response.type('html').send(this.html.replaceAll('NONCE-HERE', String(response.locals['nonce'])));
    });
  }

  private atStart(name: string): string | null {
    const path = join(this.folder, name);
    return existsSync(path) ? readFileSync(path, 'utf8') : null;
  }
}

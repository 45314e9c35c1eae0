import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express, NextFunction, Request, Response } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { HttpError } from './errors';

const ONE_YEAR_S = 365 * 24 * 3600;
/** A built file with its hash in the name, or a compressed copy of one. */
const HASHED = /-[A-Z0-9]{8}\.\w+?(\.br|\.gz)?$/;
/** What may be a file of the build: all that has an ending and is not asked of the API. */
const FILE = /^\/(?!api\/).*\.\w+$/;

/**
 * An application as it was built. Files with their hash in the name may be kept for ever; the page itself never. The page
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

  serveFiles(app: Express): void {
    app.get(`${this.at}/${this.workerName}`, (_request, response) => {
      if (this.worker === null) throw new HttpError('not-found');
      response.setHeader('Cache-Control', 'no-cache');
      response.type('js').send(this.worker);
    });
    // The build put compressed copies beside the files: no request pays for that.
    const files = expressStaticGzip(this.folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gzip'],
      serveStatic: {
        setHeaders: (response, path) =>
          response.setHeader(
            'Cache-Control',
            HASHED.test(path) ? `public, max-age=${ONE_YEAR_S}, immutable` : 'no-cache',
          ),
      },
    });
    app.use(this.at || '/', (request: Request, response: Response, next: NextFunction) => {
      if (!FILE.test(request.path)) return next();
      void files(request, response, (error?: unknown) => {
        // A copy that a newer build took away is not found, and what says so is not compressed.
        response.removeHeader('Content-Encoding');
        response.removeHeader('Content-Type');
        next(error);
      });
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

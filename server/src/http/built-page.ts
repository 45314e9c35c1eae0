import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express } from 'express';
import { HttpError } from './errors';

/** The page of a build: the one this process started with, also when a newer one is being put in its place. */
export class BuiltPage {
  private readonly html: string | null;

  /** @param at where it is found: the application itself, or the page of a student */
  constructor(
    folder: string,
    private readonly at: '' | '/my',
  ) {
    const path = join(folder, 'index.html');
    this.html = existsSync(path) ? readFileSync(path, 'utf8') : null;
  }

  /** Every path without an ending is one of the page's own. */
  serve(app: Express): void {
    app.get(this.at === '' ? /^\/(?!api\/)[^.]*$/ : /^\/my(\/[^.]*)?$/, (_request, response) => {
      if (this.html === null) throw new HttpError('not-found');
      response.setHeader('X-Robots-Tag', 'noindex, nofollow');
      response.setHeader('Cache-Control', 'no-store');
      response.type('html').send(this.html.replaceAll('NONCE-HERE', String(response.locals['nonce'])));
    });
  }
}

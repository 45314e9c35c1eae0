import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { parse } from 'cookie';
import type { Request, Response } from 'express';
import type { Settings } from '../settings';

const ONE_YEAR_MS = 365 * 24 * 3_600_000;

/**
 * Marks a browser on which somebody has signed in before, so that others who try passwords on his address do not slow
 * him down there. The mark names nobody: it only fits the e-mail it was made for.
 */
export class KnownDevice {
  private readonly cookie: string;

  constructor(private readonly settings: Pick<Settings, 'DOCEO_SESSION_SECRET' | 'DOCEO_SECURE_COOKIES'>) {
    this.cookie = settings.DOCEO_SECURE_COOKIES ? '__Host-doceo-known' : 'doceo-known';
  }

  /** What stands for this browser in counts; null when it is not known for this e-mail. */
  of(request: Request, email: string): string | null {
    const [nonce = '', sign = ''] = (parse(request.headers.cookie ?? '')[this.cookie] ?? '').split('.');
    const wanted = Buffer.from(this.sign(nonce, email));
    const given = Buffer.from(sign);
    return given.length === wanted.length && timingSafeEqual(given, wanted) ? nonce : null;
  }

  mark(response: Response, email: string): void {
    const nonce = randomBytes(16).toString('hex');
    response.cookie(this.cookie, `${nonce}.${this.sign(nonce, email)}`, {
      path: '/',
      httpOnly: true,
      sameSite: 'lax',
      secure: this.settings.DOCEO_SECURE_COOKIES,
      maxAge: ONE_YEAR_MS,
    });
  }

  private sign(nonce: string, email: string): string {
    return createHmac('sha256', this.settings.DOCEO_SESSION_SECRET)
      .update(`known-device/${nonce}/${email}`)
      .digest('hex');
  }
}

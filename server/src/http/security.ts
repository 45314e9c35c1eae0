import { randomBytes, randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { HttpError } from './errors';

/** Gives every request an id, shown in errors and in the log. */
export const requestIds: RequestHandler = (_request, response, next) => {
  const id = randomUUID();
  response.locals['requestId'] = id;
  response.setHeader('X-Request-Id', id);
  next();
};

/** A fresh nonce for the styles Angular puts into the page. */
export const styleNonce: RequestHandler = (_request, response, next) => {
  response.locals['nonce'] = randomBytes(16).toString('base64');
  next();
};

/** What a browser may let the page use: where it is, for waters; nothing else. */
export const permissions: RequestHandler = (_request, response, next) => {
  response.setHeader(
    'Permissions-Policy',
    'geolocation=(self), screen-wake-lock=(self), camera=(), microphone=(), payment=(), usb=(), serial=(), bluetooth=(), accelerometer=(), gyroscope=(), magnetometer=(), midi=(), display-capture=(), interest-cohort=()',
  );
  next();
};

/** Strict headers. Style attributes stay allowed: tooltips of the charts set them. */
export function securityHeaders(secure: boolean): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        styleSrc: [
          "'self'",
          (_request, response) =>
            `'nonce-${(response as { locals?: Record<string, unknown> }).locals?.['nonce']}'`,
        ],
        styleSrcAttr: ["'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        baseUri: ["'self'"],
      },
    },
    strictTransportSecurity: secure,
    crossOriginEmbedderPolicy: false,
  });
}

const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Refuses writes that another site makes a browser send: by what the browser says of the request's origin. Together
 * with SameSite cookies and bodies that must be JSON. Programs that are no browser send neither header.
 */
export const sameSiteOnly: RequestHandler = (request, _response, next) => {
  if (SAFE_METHODS.has(request.method)) return next();
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  if (site && site !== 'same-origin' && site !== 'none') throw new HttpError('cross-site');
  if (origin && hostOf(origin) !== request.get('host')) throw new HttpError('cross-site');
  next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

/** Bodies must be JSON. */
export const jsonOnly: RequestHandler = (request, _response, next) => {
  const hasBody =
    Number(request.get('content-length') ?? 0) > 0 || request.get('transfer-encoding') !== undefined;
  if (hasBody && !request.is('application/json')) throw new HttpError('wrong-content-type');
  next();
};

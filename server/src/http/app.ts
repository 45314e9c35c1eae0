import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { api, LAKE_MOST_BYTES, openApi, STUDENT_FILE_MOST } from '@doceo/contract';
import { DRILLS } from '@doceo/core';
import compression from 'compression';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { circleRoutes } from '../circles/circles.routes';
import { conditionRoutes } from '../conditions/conditions.routes';
import { simulatedStation } from '../conditions/provider';
import { type Pool, rows } from '../db/pool';
import { eventRoutes } from '../events/events.routes';
import { lessonRoutes } from '../lessons/lessons.routes';
import { planRoutes } from '../plans/plans.routes';
import { flyBoxRoutes } from '../fly-box/fly-box.routes';
import { readingRoutes } from '../readings/readings.routes';
import { rigRoutes } from '../rigs/rigs.routes';
import { sessionRoutes } from '../session/session.routes';
import type { Settings } from '../settings';
import { FitJob } from '../skill-fit/fit-job';
import { skillFitRoutes } from '../skill-fit/skill-fit.routes';
import { studentRoutes } from '../students/students.routes';
import { drawingRoutes } from '../waters/drawings.routes';
import { waterRoutes } from '../waters/waters.routes';
import { errorHandler, HttpError } from './errors';
import { route } from './route';
import { jsonOnly, requestIds, sameSiteOnly, securityHeaders, styleNonce } from './security';
import { sessions } from './sessions';

export const VERSION = '0.1.0';

/** The application: API and the built web application. `close` ends what runs in the background. */
export function createApp(pool: Pool, settings: Settings, log: Logger): { app: Express; close: () => void } {
  const app = express();
  const session = sessions(pool, settings);
  const fitJob = new FitJob(pool, settings.DOCEO_ROOT, log);
  app.disable('x-powered-by');
  if (settings.DOCEO_TRUST_PROXY) app.set('trust proxy', 1);
  app.use(requestIds, styleNonce, securityHeaders(settings.DOCEO_SECURE_COOKIES), compression());

  const router = express.Router();
  router.get(api.health.path, async (_request, response) => {
    const up = await rows(pool, 'SELECT 1').then(
      () => true,
      () => false,
    );
    response.status(up ? 200 : 503).json({ ok: up, database: up ? 'up' : 'down', version: VERSION });
  });
  router.get(api.openapi.path, (_request, response) => void response.json(openApi(VERSION)));
  router.use('/api', sameSiteOnly, jsonOnly, session.handler);
  const whole = express.json({ limit: STUDENT_FILE_MOST });
  router.use(api.students.import.path, (request, response, next) =>
    request.session.userId ? whole(request, response, next) : next(),
  );
  const drawn = express.json({ limit: LAKE_MOST_BYTES });
  router.put(api.waters.saveLake.path, (request, response, next) =>
    request.session.userId ? drawn(request, response, next) : next(),
  );
  router.use('/api', express.json({ limit: '512kb' }));
  sessionRoutes(router, pool, settings);
  route(router, pool, api.drills.list, async () => [...DRILLS]);
  waterRoutes(router, pool);
  drawingRoutes(router, pool);
  conditionRoutes(router, pool, simulatedStation);
  studentRoutes(router, pool);
  rigRoutes(router, pool);
  readingRoutes(router, pool);
  flyBoxRoutes(router, pool);
  planRoutes(router, pool);
  lessonRoutes(router, pool);
  eventRoutes(router, pool);
  circleRoutes(router, pool);
  skillFitRoutes(router, pool, fitJob);
  router.use('/api', (request) => {
    throw new HttpError(request.session.userId ? 'not-found' : 'signed-out');
  });
  app.use(router);
  serveWeb(app, join(settings.DOCEO_ROOT, 'dist/web'));
  app.use(errorHandler(log));
  return {
    app,
    close: () => {
      session.close();
      fitJob.close();
    },
  };
}

const ONE_YEAR_MS = 365 * 24 * 3_600_000;

/** Built files with their hash in the name may be kept for ever; the page itself never. */
function serveWeb(app: Express, folder: string): void {
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) =>
        response.setHeader(
          'Cache-Control',
          /-[A-Z0-9]{8}\.\w+$/.test(path) ? `public, max-age=${ONE_YEAR_MS / 1000}, immutable` : 'no-cache',
        ),
    }),
  );
  const page = join(folder, 'index.html');
  const html = existsSync(page) ? readFileSync(page, 'utf8') : null;
  app.get(/^\/(?!api\/)[^.]*$/, (_request, response) => {
    if (html === null) throw new HttpError('not-found');
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(html.replaceAll('NONCE-HERE', String(response.locals['nonce'])));
  });
  app.use(() => {
    throw new HttpError('not-found');
  });
}

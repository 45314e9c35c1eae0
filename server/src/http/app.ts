import type { RequestListener } from 'node:http';
import { join } from 'node:path';
import { allEndpoints, api, openApi } from '@doceo/contract';
import compression from 'compression';
import express from 'express';
import type { Logger } from 'pino';
import { circleRoutes } from '../circles/circles.routes';
import { offerRoutes } from '../circles/offers.routes';
import { consentRoutes } from '../consents/consents.routes';
import { guardianRoutes } from '../consents/guardian.routes';
import { KeepingJob } from '../keeping/keeping-job';
import { assistantRoutes } from '../assistants/assistants.routes';
import { myPageRoutes } from '../pages/my-page.routes';
import { pageRoutes } from '../pages/pages.routes';
import { HAS_LARGE, tooMuch } from '../large/too-much';
import { largeRequests } from '../large/large-requests';
import type { LargeProcess } from '../large/large-process';
import { keepingRoutes } from '../keeping/keeping.routes';
import { conditionRoutes } from '../conditions/conditions.routes';
import { accountRoutes } from '../accounts/accounts.routes';
import { bePatient, DEFAULT_PATIENCE_MS, withPatience } from '../db/patience';
import { type Pool, rows } from '../db/pool';
import { eventRoutes } from '../events/events.routes';
import { courseRoutes } from '../courses/courses.routes';
import { kitRoutes } from '../kit/kit.routes';
import { instructorRoutes } from '../lessons/instructors.routes';
import { lessonRoutes } from '../lessons/lessons.routes';
import { planRoutes } from '../plans/plans.routes';
import { flyBoxRoutes } from '../fly-box/fly-box.routes';
import { readingRoutes } from '../readings/readings.routes';
import { rigRoutes } from '../rigs/rigs.routes';
import { Mail } from '../mail/mail';
import { mailboxRoutes } from '../mail/mailbox.routes';
import { KnownDevice } from '../session/known-device';
import { lostPasswordRoutes } from '../session/lost-password.routes';
import { SecondFactor } from '../session/second-factor';
import { secondFactorRoutes } from '../session/second-factor.routes';
import { confirmation, sessionRoutes } from '../session/session.routes';
import { type Pause, SignInGuard } from '../session/sign-in-guard';
import type { Settings } from '../settings';
import { FitJob } from '../skill-fit/fit-job';
import { proposalRoutes } from '../sharing/proposals.routes';
import { talkRoutes } from '../sharing/talk.routes';
import { workedRoutes } from '../circles/worked.routes';
import { planFileRoutes } from '../sharing/files.routes';
import { linkRoutes } from '../sharing/links.routes';
import { versionRoutes } from '../sharing/versions.routes';
import { skillFitRoutes } from '../skill-fit/skill-fit.routes';
import { accessRoutes } from '../students/access.routes';
import { recordRoutes } from '../records/records.routes';
import { studentRoutes } from '../students/students.routes';
import { teachingRoutes } from '../teaching/teaching.routes';
import { drawingRoutes } from '../waters/drawings.routes';
import { waterRoutes } from '../waters/waters.routes';
import { errorHandler, HttpError } from './errors';
import { route } from './route';
import { Ledger } from '../backup/ledger';
import { accessLog } from './access-log';
import { BuiltFiles } from './built-files';
import { BuiltPage } from './built-page';
import { Door } from './door';
import { metrics } from './metrics';
import { jsonOnly, permissions, requestIds, sameSiteOnly, securityHeaders, styleNonce } from './security';
import { sessions } from './sessions';

export const VERSION = '0.1.0';
/** Health is asked often, and wants a quick answer. */
const HEALTH_PATIENCE_MS = 2000;

/**
 * The application: API and the built web application. `cameNew` is to be told of each new connection; `close` ends what
 * runs in the background.
 *
 * @param pause how sign-ins are made to wait; tests do not
 * @param large who answers large requests; without, they are answered here like all others
 * @param patienceMs how long a request waits for the database in all, milliseconds
 */
export function createApp(
  pool: Pool,
  settings: Settings,
  log: Logger,
  {
    pause,
    large,
    patienceMs = DEFAULT_PATIENCE_MS,
  }: { pause?: Pause; large?: LargeProcess; patienceMs?: number } = {},
): { app: RequestListener; cameNew: () => void; close: () => Promise<void> } {
  const app = express();
  const session = sessions(pool, settings);
  const fitJob = new FitJob(pool, settings, log);
  const keeping = new KeepingJob(pool, log);
  const ledger = settings.DOCEO_LEDGER ? new Ledger(pool, settings.DOCEO_LEDGER, log) : null;
  const mail = new Mail(pool, settings, log, () => settings.DOCEO_URL);
  app.disable('x-powered-by');
  if (settings.DOCEO_TRUST_PROXY) app.set('trust proxy', 1);
  app.use(requestIds, styleNonce, permissions, securityHeaders(settings.DOCEO_SECURE_COOKIES));
  const builds = [
    { folder: join(settings.DOCEO_ROOT, 'dist/student'), at: '/my' },
    { folder: join(settings.DOCEO_ROOT, 'dist/web'), at: '' },
  ] as const;
  if (settings.DOCEO_METRICS) {
    const { watch, show } = metrics(pool);
    app.use('/api', watch);
    app.get('/metrics', show);
  }
  // Without a library to compress them: for a page of some lines that is the most of the work.
  for (const { folder, at } of builds) new BuiltPage(folder, at).serve(app);
  if (large) app.set(HAS_LARGE, true).use(largeRequests(large));
  app.use(accessLog(log), compression());
  // All statements of a request share one patience with the database.
  app.use('/api', (_request, _response, next) => withPatience(next, patienceMs));

  const router = express.Router();
  route(router, pool, api.health, 'anybody', async ({ response }) => {
    bePatient(HEALTH_PATIENCE_MS);
    const [state] = await rows<{ readOnly: number }>(pool, 'SELECT @@read_only AS readOnly').catch(() => []);
    const trouble = state?.readOnly ? 'ER_OPTION_PREVENTS_STATEMENT' : pool.trouble();
    const database = !state ? ('down' as const) : trouble ? ('troubled' as const) : ('up' as const);
    if (database !== 'up') response.status(503);
    return { ok: database === 'up', database, trouble, version: VERSION };
  });
  let description: ReturnType<typeof openApi> | undefined;
  route(router, pool, api.openapi, 'anybody', ({ passOnIf }) => {
    // Hundreds of kilobytes, which take longest to be made.
    passOnIf(true);
    return Promise.resolve((description ??= openApi(VERSION)));
  });

  router.use('/api', sameSiteOnly, jsonOnly, session.handler);
  for (const { path, maxBytes } of allEndpoints()) {
    if (maxBytes === undefined) continue;
    const read = express.json({ limit: maxBytes });
    router.use(path, (request, response, next) =>
      request.session.userId ? read(request, response, next) : next(),
    );
  }
  router.use('/api', express.json({ limit: '512kb' }));
  const guard = new SignInGuard(pool, pause);
  const known = new KnownDevice(settings);
  const secondFactor = new SecondFactor(pool, settings);
  const confirm = confirmation(guard, known);
  accountRoutes(router, pool, confirm);
  sessionRoutes(router, pool, settings, { guard, known, secondFactor, mail, confirm });
  lostPasswordRoutes(router, pool, guard, mail);
  secondFactorRoutes(router, pool, secondFactor, mail, confirm);
  mailboxRoutes(router, pool, mail);
  teachingRoutes(router, pool);
  waterRoutes(router, pool);
  drawingRoutes(router, pool);
  conditionRoutes(router, pool);
  studentRoutes(router, pool);
  recordRoutes(router, pool);
  accessRoutes(router, pool);
  consentRoutes(router, pool, mail, (userId) => guard.admitInvitation(userId));
  guardianRoutes(router, pool, mail);
  keepingRoutes(router, pool);
  pageRoutes(router, pool);
  assistantRoutes(router, pool);
  myPageRoutes(router, pool);
  rigRoutes(router, pool);
  readingRoutes(router, pool);
  flyBoxRoutes(router, pool);
  planRoutes(router, pool);
  planFileRoutes(router, pool);
  linkRoutes(router, pool);
  versionRoutes(router, pool);
  proposalRoutes(router, pool);
  talkRoutes(router, pool);
  lessonRoutes(router, pool);
  instructorRoutes(router, pool);
  kitRoutes(router, pool);
  courseRoutes(router, pool);
  eventRoutes(router, pool);
  circleRoutes(router, pool, mail, (userId) => guard.admitInvitation(userId));
  offerRoutes(router, pool);
  workedRoutes(router, pool);
  skillFitRoutes(router, pool, fitJob);
  router.use('/api', (request) => {
    throw new HttpError(request.session.userId ? 'not-found' : 'signed-out');
  });
  app.use(router);
  // Nothing of it is for search engines, a plan behind a link least of all.
  app.get(
    '/robots.txt',
    (_request, response) => void response.type('txt').send('User-agent: *\nDisallow: /\n'),
  );
  app.use(() => {
    throw new HttpError('not-found');
  });
  if (large) app.use(tooMuch(large));
  app.use(errorHandler(log));
  // Before all else: a first visit asks for many files, and none of them is anybody's in particular.
  const files = builds.map(({ folder, at }) => new BuiltFiles(folder, at));
  const door = new Door();
  return {
    app: (request, response) => {
      if (files.some((one) => one.answer(request, response))) return;
      const isAtTheDoor = request.method === 'POST' && request.url?.startsWith(api.session.signIn.path);
      if (!isAtTheDoor) return void app(request, response);
      door.enter((leave) => {
        response.once('close', leave);
        app(request, response);
      });
    },
    cameNew: () => door.cameNew(),
    close: async () => {
      session.close();
      fitJob.close();
      large?.close();
      await keeping.close();
      await mail.close();
      await ledger?.close();
    },
  };
}

import { createServer } from 'node:http';
import { pino } from 'pino';
import { openPoolBehind } from '../db/pool';
import { createApp } from '../http/app';
import type { LargeTask } from './large-process';

/** Connections to the database: a few more than requests that come at once. */
const CONNECTIONS = 5;

process.once('disconnect', () => process.exit());
process.once('message', ({ settings, socket }: LargeTask) => {
  const { app } = createApp(
    openPoolBehind(settings.DOCEO_DB_URL, CONNECTIONS),
    // Who asks, and how, is what the first one says; figures and the list of deletions are of the first one too.
    { ...settings, DOCEO_TRUST_PROXY: true, DOCEO_METRICS: false, DOCEO_LEDGER: undefined },
    pino({ level: settings.DOCEO_LOG }),
  );
  createServer(app).listen(socket, () => process.send?.('listening'));
});

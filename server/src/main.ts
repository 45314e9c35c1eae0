import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino } from 'pino';
import { LargeProcess } from './large/large-process';
import { openPool } from './db/pool';
import { prepareDatabase } from './db/prepare';
import { createApp } from './http/app';
import { missingPrograms } from './programs';
import { raiseUncounted } from './records/records.sql';
import { seedDemo } from './seed/seed-demo';
import { readSettings } from './settings';

/** So many hold a connection at once; each costs some memory, also one on which nothing is sent. */
const MOST_CONNECTIONS = 2000;

const settings = readSettings(process.env);
const log = pino({ level: settings.DOCEO_LOG });
const missing = missingPrograms(settings.DOCEO_ROOT);
if (missing.length > 0) {
  console.error(
    `Missing: ${missing.join(', ')}. Run "npm run build", or set DOCEO_ROOT to where Doceo lies.`,
  );
  process.exit(1);
}
const done = await prepareDatabase(
  settings.DOCEO_DB_URL,
  join(settings.DOCEO_ROOT, 'server/migrations'),
  async (db) => {
    if (settings.DOCEO_DEMO && (await seedDemo(db, new Date()))) log.info('demo scenario loaded');
    await raiseUncounted(db);
  },
);
if (done.length > 0) log.info({ migrations: done }, 'schema brought up to date');
const pool = openPool(settings.DOCEO_DB_URL);
const { app, cameNew, close } = createApp(pool, settings, log, { large: new LargeProcess(settings, log) });
const server = createServer(app);
// Longer than proxies and clients keep theirs: none sends a request on a connection that is just being closed.
server.keepAliveTimeout = 75_000;
server.headersTimeout = 80_000;
// A drawing of some megabytes over a weak network takes its time; what is sent no further goes.
server.requestTimeout = 120_000;
server.maxConnections = MOST_CONNECTIONS;
server.on('connection', cameNew);
server.listen(settings.PORT, settings.HOST, () => {
  const { port } = server.address() as AddressInfo;
  // Nobody knows a port that was given just now; letters of the demo lead there all the same.
  if (settings.PORT === 0 && !process.env['DOCEO_URL'])
    settings.DOCEO_URL = `http://${settings.HOST}:${port}`;
  log.info({ port }, 'listening');
  process.send?.({ listening: port });
});

server.once('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${settings.PORT} is in use; choose another with PORT.`
      : error.message,
  );
  process.exit(1);
});

/** Lets running requests end, then closes the database. */
function stop(): void {
  server.close(() => {
    // A connection that never came up has nothing to close.
    void close()
      .then(() => pool.end())
      .catch((error: Error) => log.warn({ err: error }, 'the database did not say goodbye'))
      .then(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => process.exit(1), 5000).unref();
}
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
process.once('disconnect', stop);

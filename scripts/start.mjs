import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createServer } from 'node:net';
import { buildPrograms, buildWeb } from './lib/build.mjs';
import { freePort, startDatabase } from './lib/database.mjs';
import { serverArguments } from './lib/server-command.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { isAlive, ROOT, start } from './lib/shell.mjs';

/** Sets up what is missing, starts the database and the server, prints the address. */
async function main() {
  const reset = process.argv.includes('--reset');
  const outside = process.env.DOCEO_DB_URL;
  const folder = resolve(process.env.DOCEO_DATA ?? join(ROOT, '.doceo'));
  if (reset && outside)
    throw new Error(
      '--reset only works on the private database; an outside one (DOCEO_DB_URL) is yours to empty.',
    );

  if (!outside) claim(folder);
  ensurePackages(outside ? [] : ['mariadb-server']);
  ensureDependencies();
  await buildPrograms();
  await buildWeb();

  if (reset && existsSync(folder)) await emptied(folder);
  const database = outside ? null : await startDatabase(folder);
  const port = process.env.PORT ?? (await portOr(4200));
  const env = {
    ...process.env,
    PORT: String(port),
    DOCEO_ROOT: ROOT,
    DOCEO_DB_URL: outside ?? database.url,
    DOCEO_DEMO: process.env.DOCEO_DEMO ?? (outside ? '0' : '1'),
    DOCEO_SESSION_SECRET: process.env.DOCEO_SESSION_SECRET ?? secretIn(folder),
    DOCEO_LEDGER: process.env.DOCEO_LEDGER ?? join(folder, 'deletions.txt'),
    DOCEO_LOG: process.env.DOCEO_LOG ?? 'warn',
  };
  const server = start(process.execPath, serverArguments(), {
    env,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  server.child.once('message', ({ listening }) => {
    console.log(`\nDoceo is at http://${process.env.HOST ?? '127.0.0.1'}:${listening}`);
    if (env.DOCEO_DEMO === '1')
      console.log('Sign in with one of the demo accounts shown there. Ctrl-C stops it.');
  });
  const stop = () => server.child.kill('SIGTERM');
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  const code = await server.ended;
  await database?.stop();
  process.exitCode = code;
}

/** Stops what runs on a data folder and empties it. */
async function emptied(folder) {
  if (existsSync(join(folder, 'db'))) await (await startDatabase(folder)).stop();
  for (const name of readdirSync(folder))
    if (name !== 'start.pid') rmSync(join(folder, name), { recursive: true, force: true });
}

/** Marks the folder as in use by this process; throws when another one that still runs has marked it. */
function claim(folder) {
  const path = join(folder, 'start.pid');
  const other = existsSync(path) ? Number(readFileSync(path, 'utf8')) : 0;
  if (other && isStart(other))
    throw new Error(
      `Doceo already runs on ${folder} (process ${other}); stop it first, or choose another folder with DOCEO_DATA.`,
    );
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(path, String(process.pid));
  process.once('exit', () => rmSync(path, { force: true }));
}

/** Whether a process that runs is one of these: after a power cut its number may be another program's. */
function isStart(pid) {
  if (!isAlive(pid)) return false;
  const command = `/proc/${pid}/cmdline`;
  return !existsSync(command) || readFileSync(command, 'utf8').includes('start.mjs');
}

/** One secret for all server processes of this folder, kept between starts so that sessions last. */
function secretIn(folder) {
  const path = join(folder, 'session-secret');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (!existsSync(path)) writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(path, 'utf8');
}

/** The wanted port when nobody uses it, else a free one. */
function portOr(wanted) {
  return new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(freePort()));
    probe.listen(wanted, '127.0.0.1', () => probe.close(() => done(wanted)));
  });
}

main().catch((error) => {
  console.error(error.message);
  process.exitCode = 1;
});

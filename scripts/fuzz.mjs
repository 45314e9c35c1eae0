import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPrograms } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { serverArguments } from './lib/server-command.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

/** Sends requests, valid and broken, to a server of its own. After the command: a seed to repeat a run, and how many. */
ensurePackages(['mariadb-server']);
ensureDependencies();
await buildPrograms();
const folder = mkdtempSync(join(tmpdir(), 'doceo-fuzz-'));
const database = await startDatabase(folder, { fast: true });
const server = spawn(process.execPath, serverArguments(), {
  env: {
    ...process.env,
    DOCEO_ROOT: ROOT,
    DOCEO_DB_URL: database.url,
    DOCEO_DEMO: '1',
    DOCEO_SESSION_SECRET: 'only for this run, long enough',
    DOCEO_LOG: 'error',
    PORT: '0',
  },
  stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
});
try {
  const { listening } = await new Promise((resolve) => server.once('message', resolve));
  process.exitCode = tryRun(process.execPath, [
    join(ROOT, 'dist/fuzz.mjs'),
    `http://127.0.0.1:${listening}`,
    ...process.argv.slice(2),
  ]);
} finally {
  server.kill('SIGTERM');
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { buildPrograms } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

/** Makes, resets, blocks or deletes an account of this installation; its database is started for it if it does not run. */
const outside = process.env.DOCEO_DB_URL;
const folder = resolve(process.env.DOCEO_DATA ?? join(ROOT, '.doceo'));
if (!outside && !existsSync(join(folder, 'db')))
  throw new Error(`There is no database in ${folder}; start Doceo once, or set DOCEO_DB_URL.`);
ensurePackages(outside ? [] : ['mariadb-server']);
ensureDependencies();
await buildPrograms();
const wasRunning = existsSync(join(folder, 'start.pid'));
const database = outside ? null : await startDatabase(folder);
process.exitCode = tryRun(process.execPath, [join(ROOT, 'dist/account.mjs'), ...process.argv.slice(2)], {
  env: { ...process.env, DOCEO_DB_URL: outside ?? database.url },
});
if (!wasRunning) await database?.stop();

import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { buildPrograms } from './build.mjs';
import { startDatabase } from './database.mjs';
import { ensureDependencies, ensurePackages } from './setup.mjs';
import { ROOT, tryRun } from './shell.mjs';

/** Runs a built program on the database of this installation, which is started for it if it does not run. */
export async function runOnDatabase(program, args) {
  const outside = process.env.DOCEO_DB_URL;
  const folder = resolve(process.env.DOCEO_DATA ?? join(ROOT, '.doceo'));
  if (!outside && !existsSync(join(folder, 'db'))) {
    console.error(`There is no database in ${folder}; start Doceo once, or set DOCEO_DB_URL.`);
    process.exitCode = 1;
    return;
  }
  ensurePackages(outside ? [] : ['mariadb-server']);
  ensureDependencies();
  await buildPrograms();
  const wasRunning = existsSync(join(folder, 'start.pid'));
  const database = outside ? null : await startDatabase(folder);
  process.exitCode = tryRun(process.execPath, [join(ROOT, `dist/${program}.mjs`), ...args], {
    env: {
      ...process.env,
      DOCEO_ROOT: ROOT,
      DOCEO_DB_URL: outside ?? database.url,
      ...(outside ? {} : { DOCEO_DATA: folder }),
    },
  });
  if (!wasRunning) await database?.stop();
}

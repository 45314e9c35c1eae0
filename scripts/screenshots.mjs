import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPrograms, buildWeb } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

/** Pictures of the main views, from a fresh demo; names on the command line take only those. */
ensurePackages(['mariadb-server', 'chromium']);
ensureDependencies();
await buildPrograms();
await buildWeb();
const folder = mkdtempSync(join(tmpdir(), 'doceo-shots-'));
const database = await startDatabase(folder, { fast: true });
process.exitCode = tryRun(process.execPath, [join(ROOT, 'dist/screenshots.mjs'), ...process.argv.slice(2)], {
  env: { ...process.env, DOCEO_ROOT: ROOT, DOCEO_TEST_DB_URL: database.url },
});
await database.stop();
rmSync(folder, { recursive: true, force: true });

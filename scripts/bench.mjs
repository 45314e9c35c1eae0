import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { buildPrograms, buildWeb } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { initialFiles } from './lib/initial-files.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, run, tryRun } from './lib/shell.mjs';

/** Compressed size at which the first download should stay below, bytes. */
const DOWNLOAD_AIM = 350_000;

ensurePackages(['mariadb-server', 'chromium']);
ensureDependencies();
await buildPrograms();
await buildWeb();
const data = mkdtempSync(join(tmpdir(), 'doceo-bench-'));
const database = await startDatabase(data, { fast: true });
try {
  const env = { ...process.env, DOCEO_ROOT: ROOT, DOCEO_TEST_DB_URL: database.url };
  const parts = process.argv.slice(2);
  const ofInterface = parts.filter((part) => ['screens', 'visit'].includes(part));
  // What is named is measured, and without a name everything.
  if (parts.length === 0 || parts.length > ofInterface.length)
    run(process.execPath, [join(ROOT, 'dist/bench.mjs'), ...parts], { env });
  if (parts.length === 0 || ofInterface.length > 0)
    tryRun(process.execPath, [join(ROOT, 'dist/interface-bench.mjs'), ...ofInterface], { env });
} finally {
  await database.stop();
  rmSync(data, { recursive: true, force: true });
}
const folder = join(ROOT, 'dist/web');
const files = initialFiles(folder);
const bytes =
  files.reduce((sum, file) => sum + gzipSync(readFileSync(join(folder, file))).length, 0) +
  gzipSync(readFileSync(join(folder, 'index.html'))).length;
const lazy = readdirSync(folder).filter((file) => file.endsWith('.js') && !files.includes(file)).length;
console.log(
  `initial download: ${(bytes / 1000).toFixed(0)} kB compressed of ${DOWNLOAD_AIM / 1000} kB (${(bytes / DOWNLOAD_AIM).toFixed(2)} of the aim), ${files.length} files; ${lazy} more load when a screen asks`,
);

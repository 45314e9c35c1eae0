import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPrograms, buildWeb } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

/**
 * Every check there is; the last line tells true totals over all runners. A word on the command line runs only that
 * part; after `e2e`, names of its files run only those.
 */
const only = process.argv[2];
const wanted = (part) => !only || only === part;
const totals = { passed: 0, failed: 0 };
const count = (passed, failed) => {
  totals.passed += passed;
  totals.failed += failed;
};

function check(name, command, args) {
  console.log(`\n== ${name}`);
  const passed = tryRun(command, args) === 0;
  count(passed ? 1 : 0, passed ? 0 : 1);
}

function jest(name, projects, env, extra = []) {
  console.log(`\n== ${name}`);
  const report = join(folder, `${name.replace(/\W+/g, '-')}.json`);
  const code = tryRun(
    'npx',
    ['jest', '--selectProjects', ...projects, '--json', `--outputFile=${report}`, '--silent', ...extra],
    { env, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
    count(numPassedTests, Math.max(numFailedTests, numFailedTestSuites, code === 0 ? 0 : 1));
  } catch {
    count(0, 1);
  }
}

ensurePackages(['mariadb-server', 'chromium', 'poppler-utils']);
ensureDependencies();
await buildPrograms();
buildWeb();

const folder = mkdtempSync(join(tmpdir(), 'doceo-test-'));
const database = await startDatabase(folder, { fast: true });
const env = { ...process.env, DOCEO_ROOT: ROOT, DOCEO_TEST_DB_URL: database.url };
try {
  if (wanted('lint')) {
    check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
    check('cycles', 'npm', ['run', '-s', 'cycles']);
    check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
  }
  if (wanted('types')) {
    check('types of the programs', 'npx', ['tsc', '--noEmit', '-p', 'tsconfig.json']);
    check('types of the web application', 'npx', ['ngc', '--noEmit', '-p', 'web/tsconfig.app.json']);
    check('types of the web tests', 'npx', ['tsc', '--noEmit', '-p', 'web/tsconfig.types.json']);
    check('types of the service worker', 'npx', ['tsc', '--noEmit', '-p', 'web/tsconfig.worker.json']);
  }
  if (wanted('unit'))
    jest('unit and API', ['core', 'contract', 'demo', 'server', 'web'], env, [
      '--maxWorkers=2',
      '--testTimeout=30000',
    ]);
  if (wanted('e2e'))
    jest('end to end', ['e2e'], env, ['--runInBand', '--testTimeout=90000', ...process.argv.slice(3)]);
} finally {
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exitCode = totals.failed === 0 && totals.passed > 0 ? 0 : 1;

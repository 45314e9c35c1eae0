import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from './lib/database.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, runQuietly, start } from './lib/shell.mjs';
import { buildProgramSpecs, buildWebSpecs } from './lib/specs.mjs';

/**
 * Every check there is; the last line tells true totals over all runners. A word on the command line runs only that
 * part: `lint`, `types`, `unit`, `e2e`, or one of the projects; names of files after it run only those.
 */
const [only, ...names] = process.argv.slice(2);
const PROGRAMS = ['core', 'contract', 'texts', 'demo', 'server'];
const UNIT = [...PROGRAMS, 'web'];
const wanted = (...parts) => !only || parts.includes(only);
const wantedProjects = UNIT.filter((project) => wanted('unit', project));
const totals = { passed: 0, failed: 0 };

function count(passed, failed) {
  totals.passed += passed;
  totals.failed += failed;
}

/** A step that passes or fails as a whole; what it printed comes out in one piece. */
async function check(name, command, args) {
  const { code, output } = await runQuietly(command, args);
  console.log(`\n== ${name}${code === 0 ? '' : ' FAILED'}\n${output}`);
  count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

/**
 * @param patience how long a test or its set-up may take, ms: there for what never ends, and far above what the slowest
 *   machine needs; each waits in its own way for what it wants
 */
async function jest(name, projects, env, workers, patience) {
  console.log(`\n== ${name}`);
  const report = join(folder, `${name.replace(/\W+/g, '-')}.json`);
  const { ended } = start(
    'npx',
    [
      ...['jest', '--selectProjects', ...projects, '--json', `--outputFile=${report}`, '--silent'],
      ...[`--maxWorkers=${workers}`, `--testTimeout=${patience}`],
      ...(names.length > 0 ? ['--testPathPatterns', ...names] : []),
    ],
    { env, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  const code = await ended;
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
    count(numPassedTests, Math.max(numFailedTests, numFailedTestSuites, code === 0 ? 0 : 1));
  } catch {
    count(0, 1);
  }
}

async function build() {
  if (wanted('unit', 'server', 'e2e')) await check('build', process.execPath, ['scripts/build.mjs']);
}

async function checks() {
  if (wanted('lint')) {
    await check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
    await check('lint with types', 'npx', ['oxlint', '--type-aware']);
    await check('cycles', 'npm', ['run', '-s', 'cycles']);
    await check('unused exports and packages', 'npm', ['run', '-s', 'unused']);
    await check('format', 'npx', ['oxfmt', '--check']);
  }
  if (wanted('docs', 'lint')) {
    const { coreDocs } = await import('./lib/core-docs.mjs');
    const { functions, described, numbers, withUnit, throwing, throwsSaid, missing } = coreDocs();
    console.log(
      `\n== documentation of core${missing.length === 0 ? '' : ' FAILED'}: ${described} of ${functions} functions described, ${withUnit} of ${numbers} numbers with unit, ${throwsSaid} of ${throwing} that throw say so`,
    );
    for (const one of missing) console.log(one);
    count(missing.length === 0 ? 1 : 0, missing.length === 0 ? 0 : 1);
    const { coreSentences } = await import('./lib/core-sentences.mjs');
    const sentences = coreSentences();
    console.log(
      `\n== words of a language in core${sentences.length === 0 ? '' : ' FAILED'}: ${sentences.length}`,
    );
    for (const one of sentences) console.log(one);
    count(sentences.length === 0 ? 1 : 0, sentences.length === 0 ? 0 : 1);
  }
  if (wanted('types')) {
    const tsc = ['node_modules/typescript-native/bin/tsc', '--noEmit', '-p'];
    await check('types of the programs', process.execPath, [...tsc, 'tsconfig.json']);
    await check('types of the service worker', process.execPath, [...tsc, 'web/tsconfig.worker.json']);
  }
  for (const name of [...PROGRAMS, 'e2e'])
    await buildProgramSpecs(
      name,
      wanted(name, name === 'e2e' ? 'e2e' : 'unit'),
      name === 'e2e' || names.length > 0,
    );
  await buildWebSpecs(
    wanted('unit', 'web', 'types'),
    (command, args) => check('types of the web application', command, args),
    names.length > 0,
  );
}

ensurePackages(['mariadb-server', 'chromium', 'poppler-utils']);
ensureDependencies();
await Promise.all([build(), checks()]);

const folder = mkdtempSync(join(tmpdir(), 'doceo-test-'));
const database = await startDatabase(folder, { fast: true });
const seed = process.env['DOCEO_SEED'] ?? '20260610';
const env = { ...process.env, DOCEO_ROOT: ROOT, DOCEO_TEST_DB_URL: database.url, DOCEO_SEED: seed };
console.log(`\nProperties go by seed ${seed}; DOCEO_SEED sets another.`);
try {
  if (wantedProjects.length > 0) await jest('unit and API', wantedProjects, env, 3, 180_000);
  // Each works a browser, a server and a database: more than two at once only wait for each other.
  if (wanted('e2e')) await jest('end to end', ['e2e'], env, 2, 300_000);
} finally {
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exitCode = totals.failed === 0 && totals.passed > 0 ? 0 : 1;

import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compressFolder } from './compress.mjs';
import { LEFT_OUT, REQUIRE } from './packages.mjs';
import { ROOT, run } from './shell.mjs';

/** Everything in a folder, sorted, without tests. */
function filesIn(path) {
  const full = join(ROOT, path);
  if (!existsSync(full)) return [];
  if (statSync(full).isFile()) return [path];
  return readdirSync(full)
    .sort()
    .flatMap((name) =>
      name === 'node_modules' || name.endsWith('.spec.ts') ? [] : filesIn(join(path, name)),
    );
}

function hashOf(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap(filesIn)) hash.update(file).update(readFileSync(join(ROOT, file)));
  return hash.digest('hex');
}

/** Runs a build unless its sources are those of the last one. */
async function unlessBuilt(name, sources, build) {
  const mark = join(ROOT, `dist/.${name}`);
  const hash = hashOf([
    'package-lock.json',
    'tsconfig.base.json',
    'scripts/lib/build.mjs',
    'scripts/lib/compress.mjs',
    'scripts/lib/packages.mjs',
    ...sources,
  ]);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  await build();
  mkdirSync(join(ROOT, 'dist'), { recursive: true });
  writeFileSync(mark, hash);
}

const PROGRAM_SOURCES = ['core/src', 'contract/src', 'texts/src', 'demo/src', 'server/src', 'e2e/src'];

/** Bundles the programs that run in Node: server, command line, benchmark. */
export async function buildPrograms() {
  const entries = {
    server: 'server/src/main.ts',
    compute: 'server/src/compute/main.ts',
    account: 'server/src/accounts/main.ts',
    fuzz: 'server/src/fuzz/main.ts',
    bench: 'server/src/bench/main.ts',
    grow: 'server/src/grow/main.ts',
    backup: 'server/src/backup/main.ts',
    'fit-worker': 'server/src/skill-fit/fit-worker.ts',
    screenshots: 'e2e/src/screenshots.ts',
    'interface-bench': 'e2e/src/speed/interface-bench.ts',
  };
  let needed = false;
  await unlessBuilt('programs', PROGRAM_SOURCES, () => (needed = true));
  if (!needed) return;
  const { build } = await import('esbuild');
  await build({
    entryPoints: entries,
    outdir: join(ROOT, 'dist'),
    outExtension: { '.js': '.mjs' },
    absWorkingDir: ROOT,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    // Less to read at every start.
    minifyWhitespace: true,
    minifySyntax: true,
    external: LEFT_OUT,
    banner: { js: REQUIRE },
    tsconfig: join(ROOT, 'tsconfig.base.json'),
    logLevel: 'warning',
  });
}

/** Parts of the build that only making a PDF needs: fetched when one is made, not kept on every device. */
function onlyForPdf(stats) {
  const { outputs } = JSON.parse(readFileSync(stats, 'utf8'));
  return new Set(
    Object.entries(outputs)
      .filter(([, { inputs }]) => Object.keys(inputs).some((path) => path.includes('node_modules/pdfmake/')))
      .map(([file]) => file.split('/').at(-1)),
  );
}

/** The worker that keeps the application on the device, with the list of what it keeps. */
function buildServiceWorker() {
  const folder = join(ROOT, 'dist/web');
  const stats = join(folder, 'stats.json');
  const left = onlyForPdf(stats);
  rmSync(stats);
  buildWorker('service-worker', folder, '/', (file) => !left.has(file));
}

/**
 * A worker that keeps a page and its files on the device.
 *
 * @param at where the folder is served
 * @param keeps which of the files it keeps
 */
function buildWorker(name, folder, at, keeps) {
  const hashOf = (file) =>
    createHash('sha256')
      .update(readFileSync(join(folder, file)))
      .digest('hex')
      .slice(0, 16);
  const files = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((file) => statSync(join(folder, file)).isFile())
    .filter((file) => !/^(index\.html|worker\.js|service-worker\.js|3rdpartylicenses\.txt)$/.test(file))
    .filter((file) => !file.endsWith('.json') && keeps(file))
    .sort();
  const manifest = [
    { url: at, revision: hashOf('index.html') },
    ...files.map((file) => ({
      url: `${at}${file}`,
      revision: /-[A-Z0-9]{8}\.\w+$/.test(file) ? null : hashOf(file),
    })),
  ];
  const defined = (name, value) => `--define:${name}=${JSON.stringify(value)}`;
  run('npx', [
    'esbuild',
    `web/worker/${name}.ts`,
    '--bundle',
    '--minify',
    '--format=iife',
    '--log-level=warning',
    `--outfile=${join(folder, name === 'student-worker' ? 'worker.js' : `${name}.js`)}`,
    defined('BUILD_FILES', manifest),
    defined('process.env.NODE_ENV', 'production'),
  ]);
}

/** What is shown in other letters than Latin ones, and what only old browsers ask for, is fetched when it is needed. */
const OTHER_LETTERS = /-(latin-ext|vietnamese)-|\.woff$/;

/** The page of a student, which is a small application of its own. */
async function buildStudentPage() {
  await unlessBuilt(
    'student',
    [
      'core/src',
      'contract/src',
      'web/src/student',
      'web/src/app/shared/beat',
      'web/src/app/shared/takes',
      'web/src/styles',
      'web/worker',
      'web/tsconfig.json',
      'web/tsconfig.student.json',
      'angular.json',
    ],
    async () => {
      console.log('Building the page of a student ...');
      runBuild('student');
      const folder = join(ROOT, 'dist/student');
      buildWorker('student-worker', folder, '/my/', (file) => !OTHER_LETTERS.test(file));
      await compressFolder(folder);
    },
  );
}

function runBuild(project, ...rest) {
  run('npx', ['ng', 'build', project, '--progress=false', ...rest], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
}

export async function buildWeb() {
  await buildStudentPage();
  await unlessBuilt(
    'web',
    [
      'core/src',
      'contract/src',
      'texts/src',
      'web/src',
      'web/public',
      'web/worker',
      'web/tsconfig.json',
      'web/tsconfig.app.json',
      'angular.json',
    ],
    async () => {
      console.log('Building the web application ...');
      runBuild('web', '--stats-json');
      buildServiceWorker();
      await compressFolder(join(ROOT, 'dist/web'));
    },
  );
}

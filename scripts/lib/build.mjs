import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildServiceWorker, buildWorker, filesToKeep } from './build-worker.mjs';
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

/** What builds: a file that is made of the same by others is another one. */
const BUILDERS = [
  'package-lock.json',
  'tsconfig.base.json',
  'scripts/lib/build.mjs',
  'scripts/lib/build-worker.mjs',
  'scripts/lib/compress.mjs',
  'scripts/lib/file-pack.mjs',
  'scripts/lib/initial-files.mjs',
  'scripts/lib/packages.mjs',
];

/** Runs a build unless its sources are those of the last one. */
async function unlessBuilt(name, sources, build) {
  const mark = join(ROOT, `dist/.${name}`);
  const hash = hashOf([...BUILDERS, ...sources]);
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
    asker: 'server/src/bench/asker/main.ts',
    grow: 'server/src/grow/main.ts',
    backup: 'server/src/backup/main.ts',
    fit: 'server/src/skill-fit/main.ts',
    hashing: 'server/src/hashing/main.ts',
    large: 'server/src/large/main.ts',
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
      buildWorker('student-worker', folder, '/my/', {
        files: filesToKeep(folder).filter((file) => !OTHER_LETTERS.test(file)),
      });
      await compressFolder(folder);
    },
  );
}

function runBuild(project, options = [], env = {}) {
  run('npx', ['ng', 'build', project, '--progress=false', ...options], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...env, NG_CLI_ANALYTICS: 'false' },
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
      // What a page loads at once comes in one file, and not in forty that it would have to find one after the other. The
      // names of files say what they are made of; by this they say by what, too.
      runBuild('web', ['--stats-json', '--define', `BUILT_BY='${hashOf(BUILDERS).slice(0, 8)}'`], {
        NG_BUILD_OPTIMIZE_CHUNKS: '1',
      });
      buildServiceWorker(join(ROOT, 'dist/web'));
      await compressFolder(join(ROOT, 'dist/web'));
    },
  );
}

import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
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
function unlessBuilt(name, sources, build) {
  const mark = join(ROOT, `dist/.${name}`);
  const hash = hashOf([
    'package-lock.json',
    'tsconfig.base.json',
    'scripts/lib/build.mjs',
    'scripts/lib/packages.mjs',
    ...sources,
  ]);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  build();
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
    'fit-worker': 'server/src/skill-fit/fit-worker.ts',
    screenshots: 'e2e/src/screenshots.ts',
    'interface-bench': 'e2e/src/speed/interface-bench.ts',
  };
  let needed = false;
  unlessBuilt('programs', PROGRAM_SOURCES, () => (needed = true));
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
  const hashOf = (file) =>
    createHash('sha256')
      .update(readFileSync(join(folder, file)))
      .digest('hex')
      .slice(0, 16);
  const files = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((file) => statSync(join(folder, file)).isFile())
    .filter(
      (file) => !/^(index\.html|service-worker\.js|3rdpartylicenses\.txt)$/.test(file) && !left.has(file),
    )
    .sort();
  const manifest = [
    { url: '/', revision: hashOf('index.html') },
    ...files.map((file) => ({
      url: `/${file}`,
      revision: /-[A-Z0-9]{8}\.\w+$/.test(file) ? null : hashOf(file),
    })),
  ];
  const defined = (name, value) => `--define:${name}=${JSON.stringify(value)}`;
  run('npx', [
    'esbuild',
    'web/worker/service-worker.ts',
    '--bundle',
    '--minify',
    '--format=iife',
    '--log-level=warning',
    `--outfile=${join(folder, 'service-worker.js')}`,
    defined('BUILD_FILES', manifest),
    defined('process.env.NODE_ENV', 'production'),
  ]);
}

export function buildWeb() {
  unlessBuilt(
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
    () => {
      console.log('Building the web application ...');
      run('npx', ['ng', 'build', 'web', '--progress=false', '--stats-json'], {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
      });
      buildServiceWorker();
    },
  );
}

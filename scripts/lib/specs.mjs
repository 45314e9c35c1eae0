import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join, relative } from 'node:path';
import { LEFT_OUT, packagesOfCore } from './packages.mjs';
import { ROOT } from './shell.mjs';

const BUILT = join(ROOT, '.doceo/specs');

const specsIn = (folder, ending) =>
  readdirSync(folder, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith(ending))
    .map((file) => join(folder, file));

const shared = {
  absWorkingDir: ROOT,
  bundle: true,
  format: 'cjs',
  sourcemap: true,
  sourcesContent: false,
  logLevel: 'error',
};

/** An empty folder: Jest wants one for each of its projects. */
function emptied(folder) {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
}

const PACKAGES = ['core', 'contract', 'texts', 'demo'];

/**
 * Specs by the bundle they go into: those of a folder share one, and so one loading of what they test, which takes longer
 * than most of them.
 *
 * @param depth folders from the source to those that share
 * @param apart whether each goes into its own
 */
function bundlesOf(src, ending, depth, apart) {
  const bundles = new Map();
  for (const spec of specsIn(src, ending)) {
    const path = relative(src, spec).replace(/\.ts$/, '.js');
    const folder = dirname(path).split('/').slice(0, depth).join('/');
    const name = apart ? path : join(folder, `${folder === '.' ? 'top' : basename(folder)}.spec.js`);
    bundles.set(name, [...(bundles.get(name) ?? []), spec]);
  }
  return bundles;
}

/** Writes what the bundles are made from; each spec keeps what it sets up to itself. */
function writeEntries(folder, bundles, before = []) {
  emptied(folder);
  for (const [name, specs] of bundles) {
    const entry = join(folder, name);
    mkdirSync(dirname(entry), { recursive: true });
    const first = before.map((file) => `import ${JSON.stringify(file)};`);
    const rest = specs.map(
      (file) =>
        `describe(${JSON.stringify(basename(file).replace(/\.spec\.[jt]s$/, ''))}, () => void require(${JSON.stringify(file)}));`,
    );
    writeFileSync(entry, `${[...first, ...rest].join('\n')}\n`);
  }
}

/**
 * Bundles the specs of a program: one file loads many times as fast as the hundreds it is made of.
 *
 * @param apart whether each spec goes into a bundle of its own, to be run by its name
 */
export async function buildProgramSpecs(name, wanted = true, apart = false) {
  emptied(join(BUILT, name));
  if (!wanted) return;
  const entries = join(ROOT, '.doceo/entries', name);
  const after = join(ROOT, name, 'src/lib/after-spec.ts');
  writeEntries(
    entries,
    bundlesOf(join(ROOT, name, 'src'), '.spec.ts', 1, apart),
    existsSync(after) ? [after] : [],
  );
  const { build } = await import('esbuild');
  await build({
    ...shared,
    entryPoints: specsIn(entries, '.spec.js'),
    outbase: entries,
    outdir: join(BUILT, name),
    platform: 'node',
    target: 'node20',
    external: LEFT_OUT,
    alias: {
      '@doceo/core/shipped': join(ROOT, 'core/src/shipped.ts'),
      ...Object.fromEntries(PACKAGES.map((one) => [`@doceo/${one}`, join(ROOT, one, 'src/index.ts')])),
    },
    tsconfig: join(ROOT, 'tsconfig.base.json'),
  });
}

const WEB_JS = join(ROOT, '.doceo/web-js');

/** Specs draw no charts: what draws them wants a canvas. */
const withoutCharts = {
  name: 'without-charts',
  setup: ({ onResolve }) =>
    onResolve({ filter: /\/echarts-core$/ }, () => ({
      path: join(WEB_JS, 'web/src/testing/no-charts.js'),
    })),
};

/**
 * Compiles the web application with its specs, templates checked, and bundles the specs with what they need of a
 * browser before them. Where types are wrong there are no specs.
 *
 * @param compile runs the compiler
 * @param apart whether each spec goes into a bundle of its own, to be run by its name
 */
export async function buildWebSpecs(wanted, compile, apart) {
  for (const folder of [WEB_JS, join(BUILT, 'web')]) emptied(folder);
  if (!wanted) return;
  await compile('npx', ['ngc', '-p', 'web/tsconfig.spec.json']);
  const src = join(WEB_JS, 'web/src');
  if (!existsSync(src)) return;
  const { build } = await import('esbuild');
  const entries = join(WEB_JS, 'entries');
  writeEntries(entries, bundlesOf(src, '.spec.js', 2, apart), [join(src, 'testing/setup.js')]);
  await build({
    ...shared,
    entryPoints: specsIn(entries, '.spec.js'),
    outbase: entries,
    outdir: join(BUILT, 'web'),
    platform: 'node',
    target: 'es2022',
    mainFields: ['es2022', 'module', 'main'],
    conditions: ['es2022', 'module'],
    define: { 'import.meta.url': '"http://localhost/"' },
    external: ['pdfmake/*'],
    alias: {
      '@doceo/core/shipped': join(WEB_JS, 'core/src/shipped.js'),
      ...Object.fromEntries(
        ['core', 'contract', 'texts'].map((one) => [`@doceo/${one}`, join(WEB_JS, one, 'src/index.js')]),
      ),
      ...packagesOfCore(),
    },
    plugins: [withoutCharts],
    nodePaths: [join(ROOT, 'node_modules')],
  });
}

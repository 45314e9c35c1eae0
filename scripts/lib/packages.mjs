import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './shell.mjs';

const packageOf = (workspace) => JSON.parse(readFileSync(join(ROOT, workspace, 'package.json'), 'utf8'));
const isOurs = (name) => name.startsWith('@doceo/');
/** Where npm puts a package of a workspace of which another version lies at the root. */
const ownFolder = (workspace, name) => join(ROOT, workspace, 'node_modules', name);

/** Packages of core and contract by their place: what is compiled lies elsewhere than its source. */
export function packagesOfCore() {
  return Object.fromEntries(
    ['core', 'contract'].flatMap((workspace) =>
      Object.keys(packageOf(workspace).dependencies)
        .filter((name) => !isOurs(name))
        .map((name) => {
          const own = ownFolder(workspace, name);
          return [name, existsSync(own) ? own : join(ROOT, 'node_modules', name)];
        }),
    ),
  );
}

/**
 * Packages that a bundle leaves outside: what finds files of its own, which are not beside the bundle. All others are
 * bundled: one file is loaded several times as fast as the hundreds it is made of.
 */
export const LEFT_OUT = [
  '@node-rs/argon2',
  'axe-core',
  'dependency-cruiser',
  'esbuild',
  'eslint',
  'fast-check',
  'puppeteer-core',
  'typescript',
];

/** What packages of the older kind that are bundled ask for in a module of the newer kind. */
export const REQUIRE = `import * as bundledWith from 'node:module';
const require = bundledWith.createRequire(import.meta.url);
const __filename = import.meta.filename;
const __dirname = import.meta.dirname;`;

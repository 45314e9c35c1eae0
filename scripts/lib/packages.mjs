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
 * Packages that a bundle of these workspaces leaves outside. Those of core and contract are bundled, and so are those of
 * which another version lies at the root, where a bundle would find it.
 */
export function packagesLeftOut(workspaces) {
  const bundled = Object.keys(packagesOfCore());
  return workspaces.flatMap((workspace) => {
    const { dependencies = {}, devDependencies = {} } = packageOf(workspace);
    return Object.keys({ ...dependencies, ...devDependencies }).filter(
      (name) =>
        !isOurs(name) &&
        !name.startsWith('@types/') &&
        !bundled.includes(name) &&
        (workspace === '.' || !existsSync(ownFolder(workspace, name))),
    );
  });
}

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './shell.mjs';

/** What Node is given to run the built server, wherever it is started. */
export function serverArguments(root = ROOT) {
  const flags = JSON.parse(readFileSync(join(ROOT, 'server/src/node-flags.json'), 'utf8'));
  return [...flags, join(root, 'dist/server.mjs')];
}

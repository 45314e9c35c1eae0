import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './shell.mjs';

/**
 * What Node is given to run the built server. The young objects of requests have 4 MB: with the 16 MB of a usual start
 * each clearing up of them takes twice as long while both processors are busy, and all who ask wait for it.
 */
export function serverArguments(root = ROOT) {
  const flags = JSON.parse(readFileSync(join(ROOT, 'server/src/node-flags.json'), 'utf8'));
  return [...flags, join(root, 'dist/server.mjs')];
}

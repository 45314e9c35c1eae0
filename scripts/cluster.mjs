import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { firstStarts } from './cluster/first-starts.mjs';
import { Galera } from './cluster/galera.mjs';
import { freezeRounds, killRounds } from './cluster/rounds.mjs';
import { withoutMajority } from './cluster/without-majority.mjs';
import { Servers } from './cluster/servers.mjs';
import { upgrade } from './cluster/upgrade.mjs';
import { buildPrograms, buildWeb } from './lib/build.mjs';
import { ensureDependencies, ensurePackages } from './lib/setup.mjs';

/**
 * Tries what a cluster must stand, on this machine: three nodes of the database, two servers on different ones, and
 * HAProxy before both. Words on the command line choose parts; `rounds=5` makes so many rounds,
 * `upgrade=1a2b3c4` begins with that version.
 */
const PARTS = {
  'first-starts': firstStarts,
  rounds: killRounds,
  frozen: freezeRounds,
  majority: withoutMajority,
  upgrade,
};
const wanted = new Map(process.argv.slice(2).map((word) => word.split('=')));

ensurePackages(['mariadb-server', 'galera-4', 'rsync', 'haproxy']);
ensureDependencies();
await buildPrograms();
await buildWeb();

const folder = mkdtempSync(join(tmpdir(), 'doceo-cluster-'));
const galera = new Galera(join(folder, 'db'));
const servers = new Servers(folder);
let failed = false;
try {
  await galera.install(3);
  await galera.startAll();
  await servers.share(2);
  for (const [name, run] of Object.entries(PARTS)) {
    if (wanted.size > 0 && !wanted.has(name)) continue;
    const wrong = await run(galera, servers, wanted.get(name));
    console.log(wrong.length === 0 ? `${name}: as it must be` : `${name}: ${wrong.join('; ')}`);
    failed ||= wrong.length > 0;
  }
} catch (error) {
  console.error(error.message);
  failed = true;
} finally {
  await servers.stop();
  await galera.stop();
}
if (failed) console.error(`What was logged is in ${folder}`);
else rmSync(folder, { recursive: true, force: true });
process.exit(failed ? 1 : 0);

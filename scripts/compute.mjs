import { join } from 'node:path';
import { buildPrograms } from './lib/build.mjs';
import { ensureDependencies } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

ensureDependencies();
await buildPrograms();
process.exitCode = tryRun(process.execPath, [join(ROOT, 'dist/compute.mjs'), ...process.argv.slice(2)]);

import { buildPrograms, buildWeb } from './lib/build.mjs';
import { ensureDependencies } from './lib/setup.mjs';

ensureDependencies();
await buildPrograms();
await buildWeb();

import { runOnDatabase } from './lib/on-database.mjs';

/** Puts a backup in the place of all data of this installation; no server may run meanwhile. */
await runOnDatabase('backup', ['restore', ...process.argv.slice(2)]);

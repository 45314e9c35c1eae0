import { runOnDatabase } from './lib/on-database.mjs';

/** Writes all data of this installation into a folder; the server may run meanwhile. */
await runOnDatabase('backup', ['backup', ...process.argv.slice(2)]);

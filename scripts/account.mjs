import { runOnDatabase } from './lib/on-database.mjs';

/** Makes, resets, blocks or deletes an account of this installation. */
await runOnDatabase('account', process.argv.slice(2));

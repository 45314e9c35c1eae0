import { runOnDatabase } from './lib/on-database.mjs';

/** Makes the demo's data as large as a school's of some years, to see how lists stand it. There is no way back. */
await runOnDatabase('grow', process.argv.slice(2));

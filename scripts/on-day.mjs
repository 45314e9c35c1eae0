import { ensureDependencies, ensurePackages } from './lib/setup.mjs';
import { ROOT, tryRun } from './lib/shell.mjs';

/**
 * The tests as they will run on another day: what holds only until a date is found before that date. The programs, the
 * database and the browser all take it for the day. After the command: the day, and what `npm test` may be told.
 */
const [day, ...tests] = process.argv.slice(2);
if (!/^\d{4}-\d\d-\d\d$/.test(day ?? '')) throw new Error('Say a day: npm run on-day 2027-07-04 e2e walk');
ensurePackages(['faketime']);
ensureDependencies();
process.exitCode = tryRun('faketime', [`${day} 09:00:00`, process.execPath, 'scripts/test.mjs', ...tests], {
  cwd: ROOT,
});

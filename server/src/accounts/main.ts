import { emailSchema } from '@doceo/contract';
import { openPool } from '../db/pool';
import { administer, USAGE } from './administer';

const [act = '', ...rest] = process.argv.slice(2);
const url = process.env['DOCEO_DB_URL'] ?? '';
const email = emailSchema.safeParse(rest[0] ?? '');
if (!email.success) {
  console.error(USAGE);
  process.exit(2);
}
const pool = openPool(url, 2);
try {
  console.log(await administer(pool, act, email.data, rest.slice(1)));
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  await pool.end();
}

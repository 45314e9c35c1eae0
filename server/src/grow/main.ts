import { LEAD } from '@doceo/demo';
import { openPool, rows } from '../db/pool';
import { grow, GROWN } from './grow';

const pool = openPool(process.env['DOCEO_DB_URL'] ?? '', 2);
try {
  if ((await rows(pool, 'SELECT id FROM users WHERE id = ?', [LEAD.id])).length === 0)
    throw new Error('Only a database with the demo in it grows.');
  await grow(pool, new Date());
  console.log(
    `${GROWN.plans} plans, ${GROWN.students} students, ${GROWN.lessons} lessons and ${GROWN.events} entries more.`,
  );
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  await pool.end();
}

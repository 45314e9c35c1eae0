import { createConnection } from 'mysql2/promise';
import { migrate } from './migrate';
import { connectionOptions, type Db, rows } from './pool';

const LOCK = 'doceo-preparing';
/** How long one process waits for another one that prepares the same database, seconds. */
const WAIT_S = 300;

/**
 * Brings the schema up to date and loads what belongs in at the first start. Of several processes that start at once
 * one works, the others wait for it and find all done. A process that dies gives the lock up with its connection.
 *
 * @param load what comes after the schema, on the same connection
 * @returns names of the migration steps that were run
 * @throws Error when another process holds the lock for too long
 */
export async function prepareDatabase(
  url: string,
  folder: string,
  load: (db: Db) => Promise<void> = () => Promise.resolve(),
): Promise<string[]> {
  const connection = await createConnection(connectionOptions(url));
  const db: Db = { query: async (sql, values) => (await connection.query(sql, [...values]))[0] };
  try {
    const [lock] = await rows<{ taken: number | null }>(
      db,
      'SELECT GET_LOCK(CONCAT(?, DATABASE()), ?) AS taken',
      [LOCK, WAIT_S],
    );
    if (lock?.taken !== 1) throw new Error('Another process has been preparing the database for too long.');
    const done = await migrate(db, folder);
    await load(db);
    return done;
  } finally {
    // The lock goes with the connection. One that broke off cannot be ended in order.
    await connection.end().catch(() => connection.destroy());
  }
}

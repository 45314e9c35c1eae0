import { type Connection, createConnection } from 'mysql2/promise';
import { addressesOf } from './addresses';
import { failureOf } from './failures';
import { migrate } from './migrate';
import { CAUSAL, connectionOptions } from './nodes';
import { type Db, openPool } from './pool';
import { PrepareLock } from './prepare-lock';
import { retry } from './retry';

/**
 * Brings the schema up to date and loads what belongs in at the first start. Of several processes that start at once
 * one works, the others wait for it and find all done; on a cluster as well.
 *
 * @param load what comes after the schema, on the same connection; it is safe to run again
 * @returns names of the migration steps that were run
 * @throws Error when another process holds the lock for too long
 */
export async function prepareDatabase(
  url: string,
  folder: string,
  load: (db: Db) => Promise<void> = () => Promise.resolve(),
): Promise<string[]> {
  const connection = await connect(url);
  const db: Db = { query: async (sql, values) => (await connection.query(sql, [...values]))[0] };
  // A step that lost to another node, which may only wait for its turn, was not done.
  const single: Db = { query: (sql, values) => retry(() => db.query(sql, values), lost) };
  const pool = openPool(url, 1);
  const lock = new PrepareLock(single, pool);
  try {
    await lock.take();
    const done = await migrate(single, folder, () => lock.assertHeld());
    await lock.assertHeld();
    await retry(async () => {
      await db.query('ROLLBACK', []);
      await load(db);
    }, lost);
    return done;
  } finally {
    await lock.giveBack().catch(() => undefined);
    // What holds the lock goes with the connection. One that broke off cannot be ended in order.
    await connection.end().catch(() => connection.destroy());
    await pool.end();
  }
}

const lost = (error: unknown): boolean => failureOf(error) === 'again';

/** On the first node that answers, with reads that see what others have done. */
async function connect(url: string): Promise<Connection> {
  const addresses = addressesOf(url);
  for (const [index, address] of addresses.entries())
    try {
      const connection = await createConnection(connectionOptions(address));
      await connection.query(CAUSAL).catch(() => undefined);
      await connection.query('SELECT 1');
      return connection;
    } catch (error) {
      if (index === addresses.length - 1) throw error;
    }
  throw new Error('The database has no address.');
}

import {
  createPool,
  type Pool,
  type PoolConnection,
  type ResultSetHeader,
  type RowDataPacket,
} from 'mysql2/promise';

/** What a statement runs on: the pool, or one connection inside a transaction. */
export type Db = Pick<Pool | PoolConnection, 'query'>;
export type { Pool };

/** A pool with the things settled once: times are UTC; calendar dates and JSON columns come as text. */
export function openPool(url: string): Pool {
  return createPool({
    uri: url.replace(/^mariadb:/, 'mysql:'),
    timezone: 'Z',
    dateStrings: ['DATE'],
    charset: 'utf8mb4',
    connectionLimit: 10,
    connectTimeout: 3000,
    enableKeepAlive: true,
    decimalNumbers: true,
    jsonStrings: true,
  });
}

/** Rows of a SELECT. */
export async function rows<T>(db: Db, sql: string, values: unknown[] = []): Promise<T[]> {
  const [result] = await db.query<RowDataPacket[]>(sql, values);
  return result as T[];
}

/** Number of rows a writing statement touched. */
export async function write(db: Db, sql: string, values: unknown[] = []): Promise<number> {
  const [result] = await db.query<ResultSetHeader>(sql, values);
  return result.affectedRows;
}

/** Runs writes that belong together; rolls all back when one fails. */
export async function transaction<T>(pool: Pool, work: (db: PoolConnection) => Promise<T>): Promise<T> {
  const connection = await pool.getConnection();
  try {
    await connection.beginTransaction();
    const result = await work(connection);
    await connection.commit();
    return result;
  } catch (error) {
    await connection.rollback().catch(() => undefined);
    throw error;
  } finally {
    connection.release();
  }
}

import { setTimeout as pause } from 'node:timers/promises';
import type { Connection as CallbackConnection } from 'mysql2';
import {
  createPool,
  type Pool as DriverPool,
  type PoolConnection,
  type ResultSetHeader,
} from 'mysql2/promise';
import { breaksConnection, failureOf } from './failures';
import { patienceLeftMs, spending } from './patience';

/** What a statement runs on: the pool, or one connection inside a transaction. */
export interface Db {
  query(sql: string, values: readonly unknown[]): Promise<unknown>;
}

/** Requests that may wait for a connection at a time; more are refused at once. */
const MAX_WAITING = 200;
const TRIES = 6;
const ROLLBACK_MS = 2000;
/** Below this there is no use in another try, milliseconds. */
const MIN_PATIENCE_MS = 150;
/** Reading says nothing of a full disk, or of a node that takes no writes. */
const READS = /^\s*SELECT\b/i;
/** For so long a failure is told as the state of the database, milliseconds. */
const TROUBLE_MS = 30_000;

/** Statements of a connection end at the database too, also when nobody waits any more. Seconds. */
const LIMITS =
  'SET SESSION max_statement_time = 15, innodb_lock_wait_timeout = 2, lock_wait_timeout = 2, wait_timeout = 600';

/** What is settled once for every connection. */
export function connectionOptions(url: string) {
  return {
    uri: url.replace(/^mariadb:/, 'mysql:'),
    timezone: 'Z',
    dateStrings: ['DATE' as const],
    charset: 'utf8mb4',
    decimalNumbers: true,
    jsonStrings: true,
  };
}

class DatabaseError extends Error {
  constructor(readonly code: 'WAITED_TOO_LONG' | 'TOO_MANY_WAITING') {
    super(code);
  }
}

/**
 * The database, with the things settled once: times are UTC, calendar dates and JSON columns come as text, nobody waits
 * longer than his request's patience, and who lost a deadlock or waited for a lock tries again.
 */
export class Pool implements Db {
  private readonly pool: DriverPool;
  private waiting = 0;
  private failed: { code: string; atMs: number } | null = null;

  constructor(url: string, connections = 10) {
    this.pool = createPool({
      ...connectionOptions(url),
      connectionLimit: connections,
      connectTimeout: 3000,
      enableKeepAlive: true,
    });
    // The driver hands out its connection with callbacks here.
    this.pool.on('connection', (connection: unknown) => {
      // What goes wrong here goes wrong again at the first statement, which tells it.
      (connection as CallbackConnection).query(LIMITS, () => undefined);
    });
  }

  query(sql: string, values: readonly unknown[]): Promise<unknown> {
    return this.retried(() => this.onConnection((db) => db.query(sql, values)), !READS.test(sql));
  }

  /** Runs writes that belong together; rolls all back when one fails, and runs all again when it lost a deadlock. */
  transaction<T>(work: (db: Db) => Promise<T>): Promise<T> {
    return this.retried(
      () =>
        this.onConnection(async (db, connection) => {
          try {
            await db.query('START TRANSACTION', []);
            const result = await work(db);
            await db.query('COMMIT', []);
            return result;
          } catch (error) {
            // Not within the patience of the request, which may be used up: a connection with locks goes to nobody.
            if (!breaksConnection(error))
              await connection
                .query({ sql: 'ROLLBACK', timeout: ROLLBACK_MS })
                .catch(() => connection.destroy());
            throw error;
          }
        }),
      true,
    );
  }

  /** Why the database refused its work lately; null when all is well. */
  trouble(): string | null {
    return this.failed && Date.now() - this.failed.atMs < TROUBLE_MS ? this.failed.code : null;
  }

  /** Statements that wait for a connection now. */
  get queued(): number {
    return this.waiting;
  }

  end(): Promise<void> {
    return this.pool.end();
  }

  /** @param writes whether its success says that the database takes writes */
  private async retried<T>(run: () => Promise<T>, writes: boolean): Promise<T> {
    for (let tries = 1; ; tries++) {
      try {
        const result = await run();
        if (writes) this.failed = null;
        return result;
      } catch (error) {
        const failure = failureOf(error);
        if (failure === 'again' && tries < TRIES && patienceLeftMs() > MIN_PATIENCE_MS) {
          // Apart from each other, so that the same two do not meet again.
          await pause(Math.random() * 15 * 2 ** tries);
          continue;
        }
        if (failure === 'again' || failure === 'away')
          this.failed = { code: String((error as { code?: string }).code), atMs: Date.now() };
        throw error;
      }
    }
  }

  private async onConnection<T>(work: (db: Db, connection: PoolConnection) => Promise<T>): Promise<T> {
    const connection = await spending(() => this.acquire());
    try {
      const result = await work({ query: (sql, values) => limited(connection, sql, values) }, connection);
      connection.release();
      return result;
    } catch (error) {
      if (breaksConnection(error)) connection.destroy();
      else connection.release();
      throw error;
    }
  }

  private async acquire(): Promise<PoolConnection> {
    if (this.waiting >= MAX_WAITING) throw new DatabaseError('TOO_MANY_WAITING');
    this.waiting += 1;
    try {
      return await within(patienceLeftMs(), this.pool.getConnection(), (late) => late.release());
    } finally {
      this.waiting -= 1;
    }
  }
}

export function openPool(url: string, connections?: number): Pool {
  return new Pool(url, connections);
}

/** Rows of a SELECT. */
export async function rows<T>(db: Db, sql: string, values: readonly unknown[] = []): Promise<T[]> {
  return (await db.query(sql, values)) as T[];
}

/** Number of rows a writing statement touched. */
export async function write(db: Db, sql: string, values: readonly unknown[] = []): Promise<number> {
  return ((await db.query(sql, values)) as ResultSetHeader).affectedRows;
}

async function limited(
  connection: PoolConnection,
  sql: string,
  values: readonly unknown[],
): Promise<unknown> {
  const timeout = Math.ceil(patienceLeftMs());
  if (timeout <= 0) throw new DatabaseError('WAITED_TOO_LONG');
  const [result] = await spending(() => connection.query({ sql, values: [...values], timeout }));
  return result;
}

/** What does not come in time is an error now, and is handed to `late` when it comes after all. */
async function within<T>(ms: number, promise: Promise<T>, late: (value: T) => void): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  let over = false;
  promise.then(
    (value) => {
      if (over) late(value);
    },
    () => undefined,
  );
  const limit = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      over = true;
      fail(new DatabaseError('WAITED_TOO_LONG'));
    }, ms);
  });
  try {
    return await Promise.race([promise, limit]);
  } finally {
    clearTimeout(timer);
  }
}

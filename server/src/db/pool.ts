import type { PoolConnection, ResultSetHeader } from 'mysql2/promise';
import { breaksConnection, failureOf, isOfNode, leavesUndone } from './failures';
import { Nodes } from './nodes';
import { begin, hasBegun, patienceLeftMs, spending } from './patience';
import { Rests } from './rests';
import { retry } from './retry';
import { Troubles } from './troubles';
import { Turns } from './turns';

/** What a statement runs on: the pool, or one connection inside a transaction. */
export interface Db {
  query(sql: string, values: readonly unknown[]): Promise<unknown>;
}

/** Requests that may wait to be let in at a time; more are refused at once. */
const MAX_WAITING = 200;
const ROLLBACK_MS = 2000;
/** Below this there is no use in another try, milliseconds. */
const MIN_PATIENCE_MS = 150;
/** Reading says nothing of a full disk, or of a node that takes no writes. */
const READS = /^\s*SELECT\b/i;

class DatabaseError extends Error {
  constructor(readonly code: 'WAITED_TOO_LONG' | 'TOO_MANY_WAITING') {
    super(code);
  }
}

/** One try of some work. */
interface Run {
  node: number;
  /** Whether the database may have done it though no answer comes: then it is not tried again. */
  mayBeDone: boolean;
}

/**
 * The database, with the things settled once: times are UTC, calendar dates and JSON columns come as text, nobody waits
 * longer than his request's patience, who lost a deadlock or waited for a lock tries again, and who was on a node of a
 * cluster that fails tries on the next one.
 */
export class Pool implements Db {
  private readonly nodes: Nodes;
  private readonly turns: Turns;
  private readonly troubles = new Troubles();

  /** @param rests the pace of who does not want to hold up others; null for as fast as can be */
  constructor(
    url: string,
    connections = 10,
    private readonly rests: Rests | null = null,
  ) {
    this.nodes = new Nodes(url, connections);
    this.turns = new Turns(connections);
  }

  query(sql: string, values: readonly unknown[]): Promise<unknown> {
    const writes = !READS.test(sql);
    return this.retried(
      (run) =>
        this.onConnection(run, (db) => {
          run.mayBeDone = writes;
          return db.query(sql, values);
        }),
      writes,
    );
  }

  /** Runs writes that belong together; rolls all back when one fails, and runs all again when it lost a deadlock. */
  transaction<T>(work: (db: Db) => Promise<T>): Promise<T> {
    return this.retried(
      (run) =>
        this.onConnection(run, async (db, connection) => {
          try {
            await db.query('START TRANSACTION', []);
            const result = await work(db);
            run.mayBeDone = true;
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

  /** Why the node that is in use refused its work lately; null when all is well. */
  trouble(): string | null {
    return this.troubles.of(this.nodes.current);
  }

  /** Statements that wait for a connection now. */
  get queued(): number {
    return this.turns.waiting;
  }

  end(): Promise<void> {
    return this.nodes.end();
  }

  /** @param writes whether its success says that the database takes writes */
  private async retried<T>(work: (run: Run) => Promise<T>, writes: boolean): Promise<T> {
    let run: Run = { node: this.nodes.current, mayBeDone: false };
    const once = async (): Promise<T> => {
      run = { node: this.nodes.current, mayBeDone: false };
      try {
        return await work(run);
      } catch (error) {
        if (failureOf(error) === 'away') this.troubles.note(run.node, error, writes);
        throw error;
      }
    };
    try {
      const result = await retry(
        once,
        (error) => patienceLeftMs() > MIN_PATIENCE_MS && this.mayTryAgain(error, run),
      );
      this.troubles.over(run.node, writes);
      return result;
    } catch (error) {
      if (failureOf(error) === 'again') this.troubles.note(run.node, error, writes);
      throw error;
    }
  }

  private mayTryAgain(error: unknown, { mayBeDone }: Run): boolean {
    const failure = failureOf(error);
    const onAnother = this.nodes.count > 1 && (!mayBeDone || leavesUndone(error));
    return failure === 'again' || (failure === 'away' && onAnother);
  }

  private async onConnection<T>(
    run: Run,
    work: (db: Db, connection: PoolConnection) => Promise<T>,
  ): Promise<T> {
    await spending(() => this.turn());
    begin();
    run.node = this.nodes.current;
    let connection: PoolConnection | null = null;
    try {
      connection = await spending(() => this.acquire());
      const own = connection;
      const query: Db['query'] = (sql, values) => limited(own, sql, values);
      const paced: Db['query'] = (sql, values) =>
        this.rests?.before(() => query(sql, values)) ?? query(sql, values);
      return await work({ query: paced }, own);
    } catch (error) {
      if (isOfNode(error)) this.nodes.leave(run.node);
      if (breaksConnection(error)) connection?.destroy();
      throw error;
    } finally {
      // One that was destroyed goes back to nobody.
      connection?.release();
      this.turns.giveBack();
    }
  }

  /** Waits until it is this one's turn to have a connection. */
  private async turn(): Promise<void> {
    const begun = hasBegun();
    if (!begun && this.turns.waiting >= MAX_WAITING) throw new DatabaseError('TOO_MANY_WAITING');
    if (!(await this.turns.take(begun, patienceLeftMs()))) throw new DatabaseError('WAITED_TOO_LONG');
  }

  private acquire(): Promise<PoolConnection> {
    return within(patienceLeftMs(), this.nodes.connection(), (late) => late.release());
  }
}

export function openPool(url: string, connections?: number): Pool {
  return new Pool(url, connections);
}

/** For work behind other work: the database has as much rest as it has work of this. */
export function openPoolBehind(url: string, connections: number): Pool {
  return new Pool(url, connections, new Rests());
}

/** Rows of a SELECT, or of what is RETURNING them. */
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

import type { Connection as CallbackConnection } from 'mysql2';
import { createPool, type Pool as DriverPool, type PoolConnection } from 'mysql2/promise';
import { addressesOf } from './addresses';

/** Statements of a connection end at the database too, also when nobody waits any more. Seconds. */
const LIMITS =
  'SET SESSION max_statement_time = 15, innodb_lock_wait_timeout = 2, lock_wait_timeout = 2, wait_timeout = 600';
/** On a cluster a node first does what others did before: what was saved through one is read and changed on all. */
export const CAUSAL = 'SET SESSION wsrep_sync_wait = 7';

/** How long a node may take to answer a connection, where there is another one and where there is none, milliseconds. */
const CONNECT_MS = { another: 1000, only: 3000 };

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

/** The nodes of one database. All work goes to one of them, and to the next when it fails; often there is only one. */
export class Nodes {
  private readonly pools: readonly DriverPool[];
  private at = 0;

  constructor(url: string, connections: number) {
    const addresses = addressesOf(url);
    const patience = addresses.length > 1 ? CONNECT_MS.another : CONNECT_MS.only;
    this.pools = addresses.map((address) => openNode(address, connections, patience));
  }

  get count(): number {
    return this.pools.length;
  }

  /** The node that is in use. */
  get current(): number {
    return this.at;
  }

  connection(): Promise<PoolConnection> {
    return (this.pools[this.at] as DriverPool).getConnection();
  }

  /** Leaves a node that failed, unless somebody else has done so. */
  leave(node: number): void {
    if (node === this.at) this.at = (node + 1) % this.pools.length;
  }

  async end(): Promise<void> {
    await Promise.all(this.pools.map((pool) => pool.end()));
  }
}

function openNode(address: string, connections: number, connectTimeout: number): DriverPool {
  const pool = createPool({
    ...connectionOptions(address),
    connectionLimit: connections,
    connectTimeout,
    enableKeepAlive: true,
  });
  // The driver hands out its connection with callbacks here.
  pool.on('connection', (connection: unknown) => {
    // What goes wrong here goes wrong again at the first statement, which tells it.
    for (const settled of [LIMITS, CAUSAL])
      (connection as CallbackConnection).query(settled, () => undefined);
  });
  return pool;
}

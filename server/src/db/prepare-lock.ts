import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { type Db, rows, write } from './pool';

/** How long one process waits for another one that prepares the same database, milliseconds. */
const WAIT_MS = 300_000;
const LOOK_MS = 100;
/** The holder says so often that he is there, milliseconds. */
const BEAT_MS = 3000;
/** After so long without a word of him he is gone, seconds. */
const SILENT_S = 30;

/** This database server among all of a cluster: numbers of connections say something on the same one only. */
const NODE = "CONCAT_WS(':', @@hostname, @@port, @@datadir)";

/**
 * The right to prepare the database, a row that all nodes of a cluster see. One that dies gives it up: with his
 * connection for those on the same node, after a while without a word of him for the others.
 */
export class PrepareLock {
  private readonly holder = randomUUID();
  private beating: Promise<void> | null = null;
  private readonly over = new AbortController();

  /**
   * @param db the connection that the work will run on
   * @param pool says meanwhile that the holder is there
   */
  constructor(
    private readonly db: Db,
    private readonly pool: Db,
  ) {}

  /** @throws Error when another one holds it for too long */
  async take(waitMs = WAIT_MS): Promise<void> {
    await write(
      this.db,
      `CREATE TABLE IF NOT EXISTS preparing (
         id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
         holder CHAR(36) CHARACTER SET ascii NOT NULL,
         node VARCHAR(700) NOT NULL,
         connection_id BIGINT UNSIGNED NOT NULL,
         seen_at DATETIME(3) NOT NULL
       )`,
    );
    await write(this.db, "INSERT IGNORE INTO preparing VALUES (1, '', '', 0, '1970-01-01')");
    const until = Date.now() + waitMs;
    while (!(await this.taken())) {
      if (Date.now() > until)
        throw new Error('Another process has been preparing the database for too long.');
      await pause(LOOK_MS);
    }
    this.beating = this.beat();
  }

  /** Call it before each step: who stood still for long may have lost it. @throws Error when another one holds it */
  async assertHeld(): Promise<void> {
    const [row] = await rows<{ holder: string }>(this.db, 'SELECT holder FROM preparing WHERE id = 1');
    if (row?.holder !== this.holder) throw new Error('Another process prepares the database now.');
  }

  async giveBack(): Promise<void> {
    this.over.abort();
    await this.beating;
    await write(this.pool, "UPDATE preparing SET holder = '' WHERE id = 1 AND holder = ?", [this.holder]);
  }

  private async taken(): Promise<boolean> {
    const changed = await write(
      this.db,
      `UPDATE preparing SET holder = ?, node = ${NODE}, connection_id = CONNECTION_ID(), seen_at = UTC_TIMESTAMP(3)
       WHERE id = 1 AND (holder = '' OR seen_at < UTC_TIMESTAMP(3) - INTERVAL ? SECOND
         OR (node = ${NODE} AND connection_id NOT IN (SELECT id FROM information_schema.processlist)))`,
      [this.holder, SILENT_S],
    );
    return changed === 1;
  }

  private async beat(): Promise<void> {
    const { signal } = this.over;
    while (await pause(BEAT_MS, true, { signal }).catch(() => false))
      await write(this.pool, 'UPDATE preparing SET seen_at = UTC_TIMESTAMP(3) WHERE id = 1 AND holder = ?', [
        this.holder,
      ]).catch(() => undefined);
  }
}

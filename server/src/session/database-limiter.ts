import pLimit from 'p-limit';
import { type IRateLimiterOptions, RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import { type Db, rows, write } from '../db/pool';

/** Whoever floods the door with tries leaves connections to the database to all others. */
const fewAtOnce = pLimit(3);

interface Count {
  points: number;
  expires_ms: number;
}

/**
 * Counts in the database, so that several server processes share them; each by primary key. The library's own statements
 * go past the pool's limits, so they are replaced by ours.
 */
export class DatabaseLimiter extends RateLimiterMySQL {
  constructor(
    private readonly db: Db,
    options: Pick<IRateLimiterOptions, 'keyPrefix' | 'points' | 'duration'>,
  ) {
    super({
      ...options,
      storeClient: db,
      storeType: 'connection',
      tableCreated: true,
      clearExpiredByTimeout: false,
    });
  }

  _getRateLimiterRes(_key: string | number, changed: number, { points, expires_ms }: Count): RateLimiterRes {
    return new RateLimiterRes(
      Math.max(this.points - points, 0),
      Math.max(expires_ms - Date.now(), 0),
      points,
      points === changed,
    );
  }

  /** A count that has run out begins anew. */
  async _upsert(key: string | number, points: number, msDuration: number, fresh = false): Promise<Count> {
    const now = Date.now();
    const [count] = await fewAtOnce(
      rows<Count>,
      this.db,
      `INSERT INTO limits (id, points, expires_ms) VALUES (?, ?, ?)
       ON DUPLICATE KEY UPDATE points = IF(? OR expires_ms <= ?, VALUES(points), points + VALUES(points)),
         expires_ms = IF(? OR expires_ms <= ?, VALUES(expires_ms), expires_ms)
       RETURNING points, expires_ms`,
      [key, points, now + msDuration, fresh, now, fresh, now],
    );
    return count ?? { points, expires_ms: now + msDuration };
  }

  async _get(key: string | number): Promise<Count | null> {
    const [found] = await fewAtOnce(
      rows<Count>,
      this.db,
      'SELECT points, expires_ms FROM limits WHERE id = ? AND expires_ms > ?',
      [key, Date.now()],
    );
    return found ?? null;
  }

  async _delete(key: string | number): Promise<boolean> {
    return (await fewAtOnce(write, this.db, 'DELETE FROM limits WHERE id = ?', [key])) > 0;
  }
}

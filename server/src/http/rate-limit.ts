import { rateLimit, type Store } from 'express-rate-limit';
import type { RequestHandler } from 'express';
import { type Pool, rows, write } from '../db/pool';
import { HttpError } from './errors';

/** Counts in the database, so that several server processes share them. */
class DatabaseStore implements Store {
  constructor(
    private readonly pool: Pool,
    private readonly windowMs: number,
  ) {}

  async increment(key: string): Promise<{ totalHits: number; resetTime: Date }> {
    const seconds = this.windowMs / 1000;
    await write(
      this.pool,
      `INSERT INTO rate_limits (id, hits, resets_at) VALUES (?, 1, UTC_TIMESTAMP(3) + INTERVAL ? SECOND)
       ON DUPLICATE KEY UPDATE hits = IF(resets_at < UTC_TIMESTAMP(3), 1, hits + 1),
         resets_at = IF(resets_at < UTC_TIMESTAMP(3), UTC_TIMESTAMP(3) + INTERVAL ? SECOND, resets_at)`,
      [key, seconds, seconds],
    );
    const [row] = await rows<{ hits: number; resets_at: Date }>(
      this.pool,
      'SELECT hits, resets_at FROM rate_limits WHERE id = ?',
      [key],
    );
    return { totalHits: row?.hits ?? 1, resetTime: row?.resets_at ?? new Date() };
  }

  async decrement(key: string): Promise<void> {
    await write(this.pool, 'UPDATE rate_limits SET hits = hits - 1 WHERE id = ? AND hits > 0', [key]);
  }

  async resetKey(key: string): Promise<void> {
    await write(this.pool, 'DELETE FROM rate_limits WHERE id = ?', [key]);
  }
}

/** At most `limit` failed sign-ins in a quarter of an hour, for one address and e-mail. */
export function signInLimit(pool: Pool, limit = 10): RequestHandler {
  const windowMs = 15 * 60_000;
  return rateLimit({
    windowMs,
    limit,
    store: new DatabaseStore(pool, windowMs),
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    validate: false,
    keyGenerator: (request) =>
      `signin:${request.ip}:${String((request.body as { email?: unknown } | undefined)?.email ?? '')
        .slice(0, 190)
        .toLowerCase()}`,
    handler: (_request, _response, next) => next(new HttpError('too-many')),
  });
}

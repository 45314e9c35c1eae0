import { api, type ConditionDay, type Issue, type SavedWater } from '@doceo/contract';
import { HOUR_MS, withReadings } from '@doceo/core';
import type { Router } from 'express';
import { DateTime } from 'luxon';
import { isAllowed, may } from '../access/access';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { visibleWater } from '../waters/waters.routes';
import { conditionsFrom } from './providers';
import {
  deleteConditionReading,
  findConditionReadings,
  isConditionReading,
  lockReadingsOfOthers,
  putConditionReadings,
} from './readings.sql';

/** Readings that long before and after a day are told with it: they shift its hours, and make its profile. */
const AROUND_MS = 24 * HOUR_MS;
/** A device's clock may run ahead of this one by so much. */
const AHEAD_MS = 5 * 60_000;

export function conditionRoutes(router: Router, pool: Pool, conditionsOf = conditionsFrom()): void {
  /** One day at a water, from midnight to midnight there. */
  const dayAt = async (saved: SavedWater, userId: string, start: DateTime<true>): Promise<ConditionDay> => {
    // A day on which the clocks change has 23 or 25 hours.
    const count = Math.round(start.plus({ days: 1 }).diff(start, 'hours').hours);
    const fromMs = start.toMillis();
    const [{ hours, source, simulated }, readings] = await Promise.all([
      conditionsOf(saved, fromMs, count),
      findConditionReadings(pool, saved.id, userId, fromMs - AROUND_MS, fromMs + count * HOUR_MS + AROUND_MS),
    ]);
    const date = start.toISODate();
    return { waterId: saved.id, date, source, simulated, hours: withReadings(hours, readings), readings };
  };
  const startOf = (date: string, saved: SavedWater): DateTime<true> =>
    DateTime.fromISO(date, { zone: saved.water.timeZone }) as DateTime<true>;

  route(
    router,
    pool,
    api.waters.conditions,
    may('see', 'water'),
    async ({ user, params: { id }, query: { date } }) => {
      const saved = await visibleWater(pool, user.id, id);
      return dayAt(saved, user.id, startOf(date, saved));
    },
  );

  route(
    router,
    pool,
    api.waters.outlook,
    may('see', 'water'),
    async ({ user, params: { id }, query: { date, days } }) => {
      const saved = await visibleWater(pool, user.id, id);
      const start = startOf(date, saved);
      return Promise.all(
        Array.from({ length: days }, (_, i) => dayAt(saved, user.id, start.plus({ days: i }))),
      );
    },
  );

  route(
    router,
    pool,
    api.waters.saveReadings,
    may('log', 'water'),
    async ({ user, params: { id }, body }) => {
      const { readings } = body;
      const latest = Date.now() + AHEAD_MS;
      const wrong = (i: number, path: string, code: string, message: string): Issue => ({
        path: `readings[${i}].${path}`,
        code,
        message,
      });
      const future = readings.flatMap(({ atMs }, i) =>
        atMs > latest ? [wrong(i, 'atMs', 'invalid', 'lies in the future')] : [],
      );
      if (future.length > 0) throw new HttpError('invalid', future);
      await pool.transaction(async (db) => {
        const others = await lockReadingsOfOthers(
          db,
          id,
          user.id,
          readings.map((reading) => reading.id),
        );
        const taken = readings.flatMap((reading, i) =>
          others.has(reading.id) ? [wrong(i, 'id', 'taken', 'belongs to a reading of somebody else')] : [],
        );
        if (taken.length > 0) throw new HttpError('already-exists', taken);
        await putConditionReadings(db, id, user.id, readings);
      });
      return { ok: true as const };
    },
  );

  route(router, pool, api.waters.removeReading, may('log', 'water'), async ({ user, params }) => {
    const any = await isAllowed(pool, user.id, 'strike-any-reading', 'water', params.id);
    const struck = await deleteConditionReading(pool, params.id, params.readingId, any ? null : user.id);
    if (!struck && (await isConditionReading(pool, params.id, params.readingId)))
      throw new HttpError(
        'forbidden',
        [],
        'Somebody else read that. He can strike it, or the owner of the water.',
      );
    return { ok: true as const };
  });
}

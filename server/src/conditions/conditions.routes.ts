import { api, type Issue } from '@doceo/contract';
import { HOUR_MS, withReadings } from '@doceo/core';
import type { Router } from 'express';
import { DateTime } from 'luxon';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { visibleWater } from '../waters/waters.routes';
import type { ConditionProvider } from './provider';
import { deleteConditionReading, findConditionReadings, putConditionReadings } from './readings.sql';

/** Readings that long before and after a day are told with it: they shift its hours, and make its profile. */
const AROUND_MS = 24 * HOUR_MS;
/** A device's clock may run ahead of this one by so much. */
const AHEAD_MS = 5 * 60_000;

export function conditionRoutes(router: Router, pool: Pool, provider: ConditionProvider): void {
  route(router, pool, api.waters.conditions, async ({ user, params: { id }, query: { date } }) => {
    const saved = await visibleWater(pool, user.id, id);
    const start = DateTime.fromISO(date, { zone: saved.water.timeZone });
    // A day on which the clocks change has 23 or 25 hours.
    const count = Math.round(start.plus({ days: 1 }).diff(start, 'hours').hours);
    const fromMs = start.toMillis();
    const [hours, readings] = await Promise.all([
      provider.hours(saved, fromMs, count),
      findConditionReadings(pool, id, fromMs - AROUND_MS, fromMs + count * HOUR_MS + AROUND_MS),
    ]);
    return { waterId: id, date, source: provider.source, hours: withReadings(hours, readings), readings };
  });

  route(router, pool, api.waters.saveReadings, async ({ user, params: { id }, body: { readings } }) => {
    await visibleWater(pool, user.id, id);
    const latest = Date.now() + AHEAD_MS;
    const issues = readings.flatMap(({ atMs }, i): Issue[] =>
      atMs > latest ? [{ path: `readings[${i}].atMs`, code: 'invalid', message: 'lies in the future' }] : [],
    );
    if (issues.length > 0) throw new HttpError('invalid', issues);
    await putConditionReadings(pool, id, readings);
    return { ok: true as const };
  });

  route(router, pool, api.waters.removeReading, async ({ user, params }) => {
    await visibleWater(pool, user.id, params.id);
    await deleteConditionReading(pool, params.id, params.readingId);
    return { ok: true as const };
  });
}

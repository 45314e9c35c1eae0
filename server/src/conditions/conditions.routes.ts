import { api } from '@doceo/contract';
import type { Router } from 'express';
import { DateTime } from 'luxon';
import type { Pool } from '../db/pool';
import { route } from '../http/route';
import { visibleWater } from '../waters/waters.routes';
import type { ConditionProvider } from './provider';

export function conditionRoutes(router: Router, pool: Pool, provider: ConditionProvider): void {
  route(router, pool, api.waters.conditions, async ({ user, params: { id }, query: { date } }) => {
    const saved = await visibleWater(pool, user.id, id);
    const start = DateTime.fromISO(date, { zone: saved.water.timeZone });
    // A day on which the clocks change has 23 or 25 hours.
    const count = Math.round(start.plus({ days: 1 }).diff(start, 'hours').hours);
    const hours = await provider.hours(saved, start.toMillis(), count);
    return { waterId: id, date, source: provider.source, hours };
  });
}

import { api, type ConditionDay } from '@doceo/contract';
import { hourAt } from '@doceo/core';
import { DateTime } from 'luxon';
import { catchError, type Observable, of } from 'rxjs';
import type { ApiClient } from '../api/api-client';

/** Conditions of days at a water; none where they cannot be had: a day is looked at without them too. */
export function outlookOf(
  client: ApiClient,
  waterId: string,
  date: string,
  days: number,
): Observable<ConditionDay[]> {
  return client
    .call(api.waters.outlook, { params: { id: waterId }, query: { date, days } })
    .pipe(catchError(() => of([])));
}

/** Level and warmth of the water at noon of a day there; null where they are not known. */
export function noonWater(
  day: ConditionDay | undefined,
  timeZone: string,
): { levelM: number | null; waterC: number | null } {
  const noon = day && DateTime.fromISO(day.date, { zone: timeZone }).set({ hour: 12 }).toMillis();
  const hour = day && noon ? hourAt(day.hours, noon)?.hour : undefined;
  return { levelM: hour?.levelM ?? null, waterC: hour?.waterC ?? null };
}

import { type BankEvent, type ConditionReading, READING_RANGES } from '@doceo/core';
import { isAllowed } from '../access/access';
import { deleteConditionReading, putConditionReadings } from '../conditions/readings.sql';
import type { Db } from '../db/pool';

/** Where the lessons of some entries are held. */
export type WaterOfLesson = (lessonId: string) => string | null;

/**
 * A thermometer read in a lesson is a reading of its water too, under the id of the entry, where who logged it may log
 * readings there; taken back in the lesson it is struck there.
 */
export async function keepWaterReadings(
  db: Db,
  userId: string,
  events: readonly BankEvent[],
  waterOf: WaterOfLesson,
): Promise<void> {
  const byWater = new Map<string, BankEvent[]>();
  for (const event of events) {
    const waterId = waterOf(event.lessonId);
    if (waterId && (event.body.kind === 'temperature' || event.body.kind === 'undo'))
      byWater.set(waterId, [...(byWater.get(waterId) ?? []), event]);
  }
  for (const [waterId, entries] of byWater) {
    if (!(await isAllowed(db, userId, 'log', 'water', waterId))) continue;
    const readings = entries.flatMap(toReading);
    if (readings.length > 0) await putConditionReadings(db, waterId, userId, readings);
    for (const { body } of entries)
      if (body.kind === 'undo') await deleteConditionReading(db, waterId, body.targetId, userId);
  }
}

/** By the server's clock, as far as the device's is known to be off. */
function toReading({ id, atMs, clockAheadMs = 0, body }: BankEvent): ConditionReading[] {
  return body.kind === 'temperature' && body.celsius >= READING_RANGES.waterC.from
    ? [{ id, atMs: atMs - clockAheadMs, what: 'waterC', value: body.celsius, depthM: body.depthM }]
    : [];
}

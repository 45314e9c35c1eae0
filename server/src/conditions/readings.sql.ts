import type { ConditionReading } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

interface ReadingRow {
  id: string;
  read_at: Date;
  what: ConditionReading['what'];
  value: number;
  depth_m: number | null;
}

/** Readings at a water within a stretch of time, in its order; uses condition_readings_time. */
export async function findConditionReadings(
  db: Db,
  waterId: string,
  fromMs: number,
  toMs: number,
): Promise<ConditionReading[]> {
  const found = await rows<ReadingRow>(
    db,
    `SELECT id, read_at, what, value, depth_m FROM condition_readings
     WHERE water_id = ? AND read_at >= ? AND read_at < ? ORDER BY read_at, what, depth_m`,
    [waterId, new Date(fromMs), new Date(toMs)],
  );
  return found.map((row) => ({
    id: row.id,
    atMs: row.read_at.getTime(),
    what: row.what,
    value: row.value,
    depthM: row.depth_m,
  }));
}

/** Adds readings; one with the same id replaces the one before. */
export async function putConditionReadings(
  db: Db,
  waterId: string,
  readings: readonly ConditionReading[],
): Promise<void> {
  await write(
    db,
    `INSERT INTO condition_readings (water_id, id, read_at, what, value, depth_m) VALUES ?
     ON DUPLICATE KEY UPDATE read_at = VALUES(read_at), what = VALUES(what), value = VALUES(value), depth_m = VALUES(depth_m)`,
    [readings.map(({ id, atMs, what, value, depthM }) => [waterId, id, new Date(atMs), what, value, depthM])],
  );
}

export async function deleteConditionReading(db: Db, waterId: string, id: string): Promise<void> {
  await write(db, 'DELETE FROM condition_readings WHERE water_id = ? AND id = ?', [waterId, id]);
}

import type { SavedConditionReading } from '@doceo/contract';
import type { ConditionReading } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

interface ReadingRow {
  id: string;
  read_at: Date;
  what: ConditionReading['what'];
  value: number;
  depth_m: number | null;
  author: string | null;
  mine: number;
  entered_at: Date;
}

/** Readings at a water within a stretch of time, in its order, with who put them in; uses condition_readings_time. */
export async function findConditionReadings(
  db: Db,
  waterId: string,
  userId: string,
  fromMs: number,
  toMs: number,
): Promise<SavedConditionReading[]> {
  const found = await rows<ReadingRow>(
    db,
    `SELECT r.id, r.read_at, r.what, r.value, r.depth_m, u.name AS author, r.author_id <=> ? AS mine, r.entered_at
     FROM condition_readings r LEFT JOIN users u ON u.id = r.author_id
     WHERE r.water_id = ? AND r.read_at >= ? AND r.read_at < ? ORDER BY r.read_at, r.what, r.depth_m, r.id`,
    [userId, waterId, new Date(fromMs), new Date(toMs)],
  );
  return found.map((row) => ({
    id: row.id,
    atMs: row.read_at.getTime(),
    what: row.what,
    value: row.value,
    depthM: row.depth_m,
    by: row.author ?? '',
    mine: Boolean(row.mine),
    enteredAt: row.entered_at.toISOString(),
  }));
}

/** Of these ids those that belong to readings of others at this water; locked until the transaction ends. */
export async function lockReadingsOfOthers(
  db: Db,
  waterId: string,
  userId: string,
  ids: readonly string[],
): Promise<Set<string>> {
  const found = await rows<{ id: string }>(
    db,
    'SELECT id FROM condition_readings WHERE water_id = ? AND id IN (?) AND NOT author_id <=> ? FOR UPDATE',
    [waterId, ids, userId],
  );
  return new Set(found.map(({ id }) => id));
}

/** Adds readings; one of the same id, which must be the author's own, replaces the one before. */
export async function putConditionReadings(
  db: Db,
  waterId: string,
  authorId: string,
  readings: readonly ConditionReading[],
): Promise<void> {
  await write(
    db,
    `INSERT INTO condition_readings (water_id, id, read_at, what, value, depth_m, author_id, entered_at) VALUES ?
     ON DUPLICATE KEY UPDATE read_at = VALUES(read_at), what = VALUES(what), value = VALUES(value),
       depth_m = VALUES(depth_m), entered_at = VALUES(entered_at)`,
    [
      readings.map(({ id, atMs, what, value, depthM }) => [
        waterId,
        id,
        new Date(atMs),
        what,
        value,
        depthM,
        authorId,
        new Date(),
      ]),
    ],
  );
}

/** By primary key. @param authorId only when it is his, null for anybody's; false when nothing was struck */
export async function deleteConditionReading(
  db: Db,
  waterId: string,
  id: string,
  authorId: string | null,
): Promise<boolean> {
  const touched = await write(
    db,
    'DELETE FROM condition_readings WHERE water_id = ? AND id = ? AND (? IS NULL OR author_id = ?)',
    [waterId, id, authorId, authorId],
  );
  return touched > 0;
}

export async function isConditionReading(db: Db, waterId: string, id: string): Promise<boolean> {
  return (
    (await rows(db, 'SELECT id FROM condition_readings WHERE water_id = ? AND id = ?', [waterId, id]))
      .length > 0
  );
}

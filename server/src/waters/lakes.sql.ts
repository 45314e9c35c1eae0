import { inShape, type SavedLake, shapeOf } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

export async function findLake(db: Db, waterId: string): Promise<SavedLake | null> {
  const [found] = await rows<{ body: string; shape: number; version: number }>(
    db,
    'SELECT body, shape, version FROM lakes WHERE water_id = ?',
    [waterId],
  );
  return found
    ? {
        waterId,
        lake: inShape('lake', found.shape, JSON.parse(found.body)) as SavedLake['lake'],
        version: found.version,
      }
    : null;
}

/** A drawing up to here is read and told within a few milliseconds, bytes. */
const SMALL_BYTES = 100_000;

export async function isLargeLake(db: Db, waterId: string): Promise<boolean> {
  const [found] = await rows<{ bytes: number }>(
    db,
    'SELECT LENGTH(body) AS bytes FROM lakes WHERE water_id = ?',
    [waterId],
  );
  return Number(found?.bytes ?? 0) > SMALL_BYTES;
}

/** Draws a lake for the first time; one that is drawn already stays as it is. */
export async function insertLake(db: Db, { waterId, lake }: Omit<SavedLake, 'version'>): Promise<void> {
  await write(db, 'INSERT IGNORE INTO lakes (water_id, body, shape) VALUES (?, ?, ?)', [
    waterId,
    JSON.stringify(lake),
    shapeOf('lake'),
  ]);
}

/** False when the stored version is another than `baseVersion`: somebody saved in the meantime. */
export async function updateLake(
  db: Db,
  { waterId, lake }: Omit<SavedLake, 'version'>,
  baseVersion: number,
): Promise<boolean> {
  const touched = await write(
    db,
    'UPDATE lakes SET body = ?, shape = ?, version = version + 1 WHERE water_id = ? AND version = ?',
    [JSON.stringify(lake), shapeOf('lake'), waterId, baseVersion],
  );
  return touched > 0;
}

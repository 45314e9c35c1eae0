import { inShape, type SavedBeat, shapeOf } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

interface BeatRow {
  id: string;
  body: string;
  shape: number;
  version: number;
}

const toBeat = (waterId: string, { id, body, shape, version }: BeatRow): SavedBeat => ({
  id,
  waterId,
  beat: inShape('beat', shape, JSON.parse(body)) as SavedBeat['beat'],
  version,
});

/** Beats of a water in their order down the river; uses beats_water. */
export async function findBeats(db: Db, waterId: string): Promise<SavedBeat[]> {
  const found = await rows<BeatRow>(
    db,
    'SELECT id, body, shape, version FROM beats WHERE water_id = ? ORDER BY place, id',
    [waterId],
  );
  return found.map((row) => toBeat(waterId, row));
}

export async function findBeat(db: Db, waterId: string, id: string): Promise<SavedBeat | null> {
  const [found] = await rows<BeatRow>(
    db,
    'SELECT id, body, shape, version FROM beats WHERE id = ? AND water_id = ?',
    [id, waterId],
  );
  return found ? toBeat(waterId, found) : null;
}

/** Adds a beat below the others of its water; one that is there already stays as it is. */
export async function insertBeat(db: Db, { id, waterId, beat }: Omit<SavedBeat, 'version'>): Promise<void> {
  await write(
    db,
    `INSERT IGNORE INTO beats (id, water_id, place, body, shape)
     SELECT ?, ?, COALESCE(MAX(place) + 1, 0), ?, ? FROM beats WHERE water_id = ?`,
    [id, waterId, JSON.stringify(beat), shapeOf('beat'), waterId],
  );
}

/** False when the stored version is another than `baseVersion`: somebody saved in the meantime. */
export async function updateBeat(
  db: Db,
  { id, waterId, beat }: Omit<SavedBeat, 'version'>,
  baseVersion: number,
): Promise<boolean> {
  const touched = await write(
    db,
    'UPDATE beats SET body = ?, shape = ?, version = version + 1 WHERE id = ? AND water_id = ? AND version = ?',
    [JSON.stringify(beat), shapeOf('beat'), id, waterId, baseVersion],
  );
  return touched > 0;
}

export async function deleteBeat(db: Db, waterId: string, id: string): Promise<void> {
  await write(db, 'DELETE FROM beats WHERE id = ? AND water_id = ?', [id, waterId]);
}

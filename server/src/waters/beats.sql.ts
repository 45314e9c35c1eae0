import type { SavedBeat } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

/** Beats of a water in their order down the river; uses beats_water. */
export async function findBeats(db: Db, waterId: string): Promise<SavedBeat[]> {
  const found = await rows<{ id: string; body: string }>(
    db,
    'SELECT id, body FROM beats WHERE water_id = ? ORDER BY place',
    [waterId],
  );
  return found.map(({ id, body }) => ({ id, waterId, beat: JSON.parse(body) as SavedBeat['beat'] }));
}

export async function insertBeat(db: Db, { id, waterId, beat }: SavedBeat, place: number): Promise<void> {
  await write(db, 'INSERT INTO beats (id, water_id, place, body) VALUES (?, ?, ?, ?)', [
    id,
    waterId,
    place,
    JSON.stringify(beat),
  ]);
}

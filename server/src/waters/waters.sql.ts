import { inShape, type SavedWater, shapeOf } from '@doceo/contract';
import type { Water } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

interface WaterRow {
  id: string;
  body: string;
  shape: number;
  mine: number;
  editable: number;
}

const SELECT = `SELECT w.id, w.body, w.shape, w.owner_id = ? AS mine,
    w.owner_id = ? OR m.role IN ('owner', 'editor') AS editable
  FROM waters w LEFT JOIN circle_members m ON m.circle_id = w.circle_id AND m.user_id = ?`;
/** Whoever has a lesson at a water sees it, whatever became of the circle. */
const VISIBLE = `(w.owner_id = ? OR m.user_id IS NOT NULL
  OR EXISTS (SELECT 1 FROM lessons l WHERE l.water_id = w.id AND l.owner_id = ?))`;

function toWater(row: WaterRow): SavedWater {
  return {
    id: row.id,
    water: inShape('water', row.shape, JSON.parse(row.body)) as Water,
    mine: Boolean(row.mine),
    editable: Boolean(row.editable),
  };
}

/** Waters of the user and of his circles, by name; uses waters_owner and the key of circle_members. */
export async function findWaters(db: Db, userId: string): Promise<SavedWater[]> {
  return (
    await rows<WaterRow>(db, `${SELECT} WHERE ${VISIBLE} ORDER BY w.name, w.id`, Array(5).fill(userId))
  ).map(toWater);
}

/** Null when it does not exist or is not visible. */
export async function findWater(db: Db, userId: string, id: string): Promise<SavedWater | null> {
  const found = await rows<WaterRow>(db, `${SELECT} WHERE ${VISIBLE} AND w.id = ?`, [
    ...Array<string>(5).fill(userId),
    id,
  ]);
  return found[0] ? toWater(found[0]) : null;
}

export async function insertWater(
  db: Db,
  ownerId: string,
  id: string,
  water: Water,
  circleId: string | null = null,
): Promise<void> {
  await write(
    db,
    'INSERT INTO waters (id, owner_id, circle_id, name, body, shape) VALUES (?, ?, ?, ?, ?, ?)',
    [id, ownerId, circleId, water.name, JSON.stringify(water), shapeOf('water')],
  );
}

/** Changes what lives in a water, and touches nothing else of it. */
export async function updateCalendar(db: Db, id: string, calendar: Water['calendar']): Promise<void> {
  await write(db, "UPDATE waters SET body = JSON_SET(body, '$.calendar', JSON_COMPACT(?)) WHERE id = ?", [
    JSON.stringify(calendar),
    id,
  ]);
}

/** Notes who read the rule card when, and touches nothing else of the water. */
export async function updateCardRead(db: Db, id: string, date: string, by: string): Promise<void> {
  await write(
    db,
    "UPDATE waters SET body = JSON_SET(body, '$.rules.checkedOn', ?, '$.rules.checkedBy', ?) WHERE id = ?",
    [date, by, id],
  );
}

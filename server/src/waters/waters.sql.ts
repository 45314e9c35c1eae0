import { inShape, type SavedWater, shapeOf, type WaterDeletion } from '@doceo/contract';
import type { Water } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { TEACHES } from '../lessons/taught-lessons.sql';

interface WaterRow {
  id: string;
  body: string;
  shape: number;
  mine: number;
  editable: number;
  circle_id: string | null;
}

const SELECT = `SELECT w.id, w.body, w.shape, w.circle_id, w.owner_id = ? AS mine,
    w.owner_id = ? OR m.role IN ('owner', 'editor') AS editable
  FROM waters w LEFT JOIN circle_members m ON m.circle_id = w.circle_id AND m.user_id = ?`;
/** Whoever teaches or helps in a lesson at a water sees it, whatever became of the circle. */
const VISIBLE = `(w.owner_id = ? OR m.user_id IS NOT NULL
  OR EXISTS (SELECT 1 FROM lessons l JOIN users t ON t.id = ? WHERE l.water_id = w.id AND ${TEACHES}))`;
/** The ids of all waters of which that is so, each part by an index. */
const SEEN = `SELECT id FROM waters WHERE owner_id = ?
  UNION SELECT o.id FROM circle_members a JOIN waters o ON o.circle_id = a.circle_id WHERE a.user_id = ?
  UNION SELECT l.water_id FROM lessons l WHERE l.owner_id = ?
  UNION SELECT l.water_id FROM lesson_instructors i JOIN lessons l ON l.id = i.lesson_id WHERE i.user_id = ?
  UNION SELECT l.water_id FROM users t JOIN lessons l ON l.id = t.assists_lesson_id WHERE t.id = ?`;

function toWater(row: WaterRow): SavedWater {
  return {
    id: row.id,
    water: inShape('water', row.shape, JSON.parse(row.body)) as Water,
    mine: Boolean(row.mine),
    editable: Boolean(row.editable),
    circleId: row.circle_id,
  };
}

/** Waters that the user sees, by name; uses waters_owner, waters_circle, lessons_owner and circle_members_user. */
export async function findWaters(db: Db, userId: string): Promise<SavedWater[]> {
  return (
    await rows<WaterRow>(db, `${SELECT} JOIN (${SEEN}) seen ON seen.id = w.id ORDER BY w.name, w.id`, [
      ...Array<string>(8).fill(userId),
    ])
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

/** The water as it is stored, kept from others until the transaction ends; null when there is none. */
export async function lockWater(db: Db, id: string): Promise<Water | null> {
  const [found] = await rows<{ body: string; shape: number }>(
    db,
    'SELECT body, shape FROM waters WHERE id = ? FOR UPDATE',
    [id],
  );
  return found ? (inShape('water', found.shape, JSON.parse(found.body)) as Water) : null;
}

export async function updateWater(db: Db, id: string, water: Water): Promise<void> {
  await write(db, 'UPDATE waters SET name = ?, body = ?, shape = ? WHERE id = ?', [
    water.name,
    JSON.stringify(water),
    shapeOf('water'),
    id,
  ]);
}

/** What goes with a water, and the lessons that keep it; each count by the index on the water. */
export async function findWaterDeletion(db: Db, id: string): Promise<WaterDeletion> {
  const [counts] = await rows<Record<keyof WaterDeletion, number>>(
    db,
    `SELECT (SELECT COUNT(*) FROM beats WHERE water_id = ?) AS beats,
       (SELECT COUNT(*) FROM lakes WHERE water_id = ?) AS lakes,
       (SELECT COUNT(*) FROM condition_readings WHERE water_id = ?) AS readings,
       (SELECT COUNT(*) FROM lessons WHERE water_id = ?) AS lessons`,
    [id, id, id, id],
  );
  return {
    beats: Number(counts?.beats ?? 0),
    lakes: Number(counts?.lakes ?? 0),
    readings: Number(counts?.readings ?? 0),
    lessons: Number(counts?.lessons ?? 0),
  };
}

/** Drawings and readings go with it. */
export async function deleteWater(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM waters WHERE id = ?', [id]);
}

export async function updateWaterCircle(db: Db, id: string, circleId: string | null): Promise<void> {
  await write(db, 'UPDATE waters SET circle_id = ? WHERE id = ?', [circleId, id]);
}

/** Gives a water to somebody who is in a circle with its owner; false when nobody such is. Uses the key of circle_members. */
export async function giveWater(db: Db, ownerId: string, id: string, userId: string): Promise<boolean> {
  const touched = await write(
    db,
    `UPDATE waters SET owner_id = ? WHERE id = ? AND owner_id = ? AND EXISTS (
       SELECT 1 FROM circle_members a JOIN circle_members b ON b.circle_id = a.circle_id
       WHERE a.user_id = ? AND b.user_id = ?)`,
    [userId, id, ownerId, ownerId, userId],
  );
  return touched > 0;
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

import { randomUUID } from 'node:crypto';
import { inShape, type SavedLayer, shapeOf, type ShownLayer } from '@doceo/contract';
import { emptyLayer, type Layer } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

/** Whose layer: an instructor's own or that of a circle. */
export type LayerOf = { userId: string } | { circleId: string };

interface LayerRow {
  version: number;
  body: string;
  shape: number;
  saved_by: string | null;
  saved_at: Date;
}

const NEVER_SAVED: SavedLayer = { layer: emptyLayer(), version: 0, savedBy: '', savedAt: null };

const SELECT = `SELECT l.version, v.body, v.shape, u.name AS saved_by, v.saved_at
  FROM layers l JOIN layer_versions v ON v.layer_id = l.id AND v.version = l.version
  LEFT JOIN users u ON u.id = v.saved_by`;

/** The layer as it stands, by its owner's key; one never saved is empty, of version 0. */
export async function findLayer(db: Db, of: LayerOf): Promise<SavedLayer> {
  const [found] = await rows<LayerRow>(db, `${SELECT} WHERE l.${column(of)} = ?`, [ownerId(of)]);
  return found ? toSaved(found) : NEVER_SAVED;
}

function toSaved(row: LayerRow): SavedLayer {
  return {
    layer: inShape('layer', row.shape, JSON.parse(row.body)) as Layer,
    version: row.version,
    savedBy: row.saved_by ?? '',
    savedAt: row.saved_at.toISOString(),
  };
}

/** Version of a layer; 0 when it was never saved. By the owner's key alone, without its content. */
export async function findLayerVersion(db: Db, of: LayerOf): Promise<number> {
  const [found] = await rows<{ version: number }>(db, `SELECT version FROM layers WHERE ${column(of)} = ?`, [
    ownerId(of),
  ]);
  return found?.version ?? 0;
}

/** Saves the next version; false when the stored one is another than `baseVersion`. Call it in a transaction. */
export async function saveLayer(
  db: Db,
  of: LayerOf,
  layer: Layer,
  baseVersion: number,
  savedBy: string,
): Promise<boolean> {
  const touched =
    baseVersion === 0
      ? await write(db, `INSERT IGNORE INTO layers (id, ${column(of)}) VALUES (?, ?)`, [
          randomUUID(),
          ownerId(of),
        ])
      : await write(db, `UPDATE layers SET version = version + 1 WHERE ${column(of)} = ? AND version = ?`, [
          ownerId(of),
          baseVersion,
        ]);
  if (touched === 0) return false;
  await write(
    db,
    `INSERT INTO layer_versions (layer_id, version, body, shape, saved_by)
     SELECT id, version, ?, ?, ? FROM layers WHERE ${column(of)} = ?`,
    [JSON.stringify(layer), shapeOf('layer'), savedBy, ownerId(of)],
  );
  return true;
}

/** Circle to which an instructor shows his layer, null for nobody. */
export async function findShownTo(db: Db, userId: string): Promise<string | null> {
  const [found] = await rows<{ shown_to: string | null }>(
    db,
    'SELECT shown_to FROM layers WHERE user_id = ?',
    [userId],
  );
  return found?.shown_to ?? null;
}

export async function updateShownTo(db: Db, userId: string, circleId: string | null): Promise<void> {
  await write(db, 'UPDATE layers SET shown_to = ? WHERE user_id = ?', [circleId, userId]);
}

/** Layers that fellows show to circles of the user, by circle and name; uses layers_shown. */
export async function findShown(db: Db, userId: string): Promise<ShownLayer[]> {
  const found = await rows<
    LayerRow & { user_id: string; owner_name: string; circle_id: string; circle_name: string }
  >(
    db,
    `SELECT l.user_id, o.name AS owner_name, c.id AS circle_id, c.name AS circle_name,
       l.version, v.body, v.shape, o.name AS saved_by, v.saved_at
     FROM circle_members m JOIN circles c ON c.id = m.circle_id JOIN layers l ON l.shown_to = c.id
     JOIN circle_members theirs ON theirs.circle_id = c.id AND theirs.user_id = l.user_id
     JOIN users o ON o.id = l.user_id
     JOIN layer_versions v ON v.layer_id = l.id AND v.version = l.version
     WHERE m.user_id = ? AND l.user_id <> ? ORDER BY c.name, o.name, l.id`,
    [userId, userId],
  );
  return found.map((row) => ({
    ...toSaved(row),
    userId: row.user_id,
    ownerName: row.owner_name,
    circleId: row.circle_id,
    circleName: row.circle_name,
  }));
}

/** The circle by whose layer the user teaches: the one he said, else the first he is in that has a layer. */
export async function findTeachesBy(db: Db, userId: string): Promise<{ id: string; name: string } | null> {
  const [found] = await rows<{ id: string; name: string }>(
    db,
    `SELECT c.id, c.name FROM users u JOIN circle_members m ON m.user_id = u.id JOIN circles c ON c.id = m.circle_id
     LEFT JOIN layers l ON l.circle_id = c.id
     WHERE u.id = ? AND (c.id = u.teaches_by OR (u.teaches_by_said = 0 AND l.id IS NOT NULL))
     ORDER BY c.name, c.id LIMIT 1`,
    [userId],
  );
  return found ?? null;
}

export async function updateTeachesBy(db: Db, userId: string, circleId: string | null): Promise<void> {
  await write(db, 'UPDATE users SET teaches_by = ?, teaches_by_said = 1 WHERE id = ?', [circleId, userId]);
}

function column(of: LayerOf): 'user_id' | 'circle_id' {
  return 'userId' in of ? 'user_id' : 'circle_id';
}

function ownerId(of: LayerOf): string {
  return 'userId' in of ? of.userId : of.circleId;
}

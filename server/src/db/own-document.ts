import { inShape, shapeOf, type StoredKind } from '@doceo/contract';
import { type Db, rows, write } from './pool';

/** Tables that keep one document for each user, with the kind of each. */
const KINDS = { fly_boxes: 'flyBox', kits: 'kit' } as const satisfies Record<string, StoredKind>;
type Table = keyof typeof KINDS;

/** The user's document, by primary key; null, of version 0, for one that was never saved. */
export async function findOwnDocument<T>(
  db: Db,
  table: Table,
  ownerId: string,
): Promise<{ value: T | null; version: number }> {
  const [found] = await rows<{ body: string; shape: number; version: number }>(
    db,
    `SELECT body, shape, version FROM ${table} WHERE owner_id = ?`,
    [ownerId],
  );
  return found
    ? { value: inShape(KINDS[table], found.shape, JSON.parse(found.body)) as T, version: found.version }
    : { value: null, version: 0 };
}

/** False when the stored version is another than `baseVersion`: it was saved in the meantime. */
export async function saveOwnDocument(
  db: Db,
  table: Table,
  ownerId: string,
  value: unknown,
  baseVersion: number,
): Promise<boolean> {
  const body = JSON.stringify(value);
  const shape = shapeOf(KINDS[table]);
  const touched =
    baseVersion === 0
      ? await write(db, `INSERT IGNORE INTO ${table} (owner_id, body, shape) VALUES (?, ?, ?)`, [
          ownerId,
          body,
          shape,
        ])
      : await write(
          db,
          `UPDATE ${table} SET body = ?, shape = ?, version = version + 1 WHERE owner_id = ? AND version = ?`,
          [body, shape, ownerId, baseVersion],
        );
  return touched > 0;
}

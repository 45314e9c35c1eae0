import { inShape, type SavedFlyBox, shapeOf } from '@doceo/contract';
import type { FlyBox } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

/** The user's box, by primary key; one never filled is empty, of version 0. */
export async function findFlyBox(db: Db, ownerId: string): Promise<SavedFlyBox> {
  const [found] = await rows<{ body: string; shape: number; version: number }>(
    db,
    'SELECT body, shape, version FROM fly_boxes WHERE owner_id = ?',
    [ownerId],
  );
  return found
    ? { box: inShape('flyBox', found.shape, JSON.parse(found.body)) as FlyBox, version: found.version }
    : { box: { flies: [] }, version: 0 };
}

/** False when the stored version is another than `baseVersion`: the box was saved in the meantime. */
export async function saveFlyBox(
  db: Db,
  ownerId: string,
  box: FlyBox,
  baseVersion: number,
): Promise<boolean> {
  const body = JSON.stringify(box);
  const touched =
    baseVersion === 0
      ? await write(db, 'INSERT IGNORE INTO fly_boxes (owner_id, body, shape) VALUES (?, ?, ?)', [
          ownerId,
          body,
          shapeOf('flyBox'),
        ])
      : await write(
          db,
          'UPDATE fly_boxes SET body = ?, shape = ?, version = version + 1 WHERE owner_id = ? AND version = ?',
          [body, shapeOf('flyBox'), ownerId, baseVersion],
        );
  return touched > 0;
}

import type { SavedFlyBox } from '@doceo/contract';
import type { FlyBox } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

/** The user's box, by primary key; one never filled is empty, of version 0. */
export async function findFlyBox(db: Db, ownerId: string): Promise<SavedFlyBox> {
  const [found] = await rows<{ body: string; version: number }>(
    db,
    'SELECT body, version FROM fly_boxes WHERE owner_id = ?',
    [ownerId],
  );
  return found
    ? { box: JSON.parse(found.body) as FlyBox, version: found.version }
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
      ? await write(db, 'INSERT IGNORE INTO fly_boxes (owner_id, body) VALUES (?, ?)', [ownerId, body])
      : await write(
          db,
          'UPDATE fly_boxes SET body = ?, version = version + 1 WHERE owner_id = ? AND version = ?',
          [body, ownerId, baseVersion],
        );
  return touched > 0;
}

import type { SavedFlyBox } from '@doceo/contract';
import type { FlyBox } from '@doceo/core';
import { findOwnDocument, saveOwnDocument } from '../db/own-document';
import type { Db } from '../db/pool';

/** The user's box; one never filled is empty, of version 0. */
export async function findFlyBox(db: Db, ownerId: string): Promise<SavedFlyBox> {
  const { value, version } = await findOwnDocument<FlyBox>(db, 'fly_boxes', ownerId);
  return { box: value ?? { flies: [] }, version };
}

/** False when the box was saved in the meantime. */
export function saveFlyBox(db: Db, ownerId: string, box: FlyBox, baseVersion: number): Promise<boolean> {
  return saveOwnDocument(db, 'fly_boxes', ownerId, box, baseVersion);
}

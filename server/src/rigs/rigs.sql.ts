import { inShape, type SavedRig, shapeOf } from '@doceo/contract';
import type { Rig } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

interface RigRow {
  id: string;
  name: string;
  body: string;
  shape: number;
  student_id: string | null;
  version: number;
  updated_at: Date;
}

const COLUMNS = 'id, name, body, shape, student_id, version, updated_at';

function toRig(row: RigRow): SavedRig {
  return {
    id: row.id,
    name: row.name,
    rig: inShape('rig', row.shape, JSON.parse(row.body)) as Rig,
    studentId: row.student_id,
    version: row.version,
    updatedAt: row.updated_at.toISOString(),
  };
}

/** Rigs of one owner, newest first; uses rigs_owner. */
export async function findRigs(db: Db, ownerId: string): Promise<SavedRig[]> {
  return (
    await rows<RigRow>(db, `SELECT ${COLUMNS} FROM rigs WHERE owner_id = ? ORDER BY updated_at DESC, id`, [
      ownerId,
    ])
  ).map(toRig);
}

/** Null when it does not exist or belongs to somebody else. */
export async function findRig(db: Db, ownerId: string, id: string): Promise<SavedRig | null> {
  const found = await rows<RigRow>(db, `SELECT ${COLUMNS} FROM rigs WHERE id = ? AND owner_id = ?`, [
    id,
    ownerId,
  ]);
  return found[0] ? toRig(found[0]) : null;
}

export async function insertRig(
  db: Db,
  ownerId: string,
  { id, name, rig, studentId }: Pick<SavedRig, 'id' | 'name' | 'rig' | 'studentId'>,
): Promise<void> {
  await write(
    db,
    'INSERT INTO rigs (id, owner_id, name, body, shape, student_id, updated_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [id, ownerId, name, JSON.stringify(rig), shapeOf('rig'), studentId],
  );
}

/** False when the stored version is another than `baseVersion`: somebody saved in the meantime. */
export async function updateRig(
  db: Db,
  id: string,
  baseVersion: number,
  { name, rig, studentId }: Pick<SavedRig, 'name' | 'rig' | 'studentId'>,
): Promise<boolean> {
  const touched = await write(
    db,
    'UPDATE rigs SET name = ?, body = ?, shape = ?, student_id = ?, version = version + 1, updated_at = UTC_TIMESTAMP(3) WHERE id = ? AND version = ?',
    [name, JSON.stringify(rig), shapeOf('rig'), studentId, id, baseVersion],
  );
  return touched > 0;
}

export async function deleteRig(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM rigs WHERE id = ?', [id]);
}

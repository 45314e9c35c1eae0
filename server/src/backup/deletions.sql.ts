import { type Db, rows, write } from '../db/pool';

/** A consent is named by its student. */
export type DeletedKind = 'student' | 'account' | 'consent';

/** That somebody was deleted or a consent ended, or that it came again. */
export interface Deletion {
  kind: DeletedKind;
  /** SHA-256 of the id, in hexadecimal digits. */
  hash: string;
  isGone: boolean;
  at: Date;
}

const hashOf = (id: string): string => `CONVERT(SHA2(${id}, 256) USING ascii)`;

/** Notes that somebody is deleted, or a consent ends. Call it in the transaction in which that happens. */
export async function noteDeleted(db: Db, kind: DeletedKind, id: string): Promise<void> {
  await write(
    db,
    `INSERT INTO deletions (kind, hash, is_gone, at) VALUES (?, ${hashOf('?')}, 1, UTC_TIMESTAMP(3))
     ON DUPLICATE KEY UPDATE is_gone = 1, at = VALUES(at)`,
    [kind, id],
  );
}

/** Notes that it is here again, by primary key. */
export async function noteBack(db: Db, kind: DeletedKind, id: string): Promise<void> {
  await write(
    db,
    `UPDATE deletions SET is_gone = 0, at = UTC_TIMESTAMP(3) WHERE kind = ? AND hash = ${hashOf('?')} AND is_gone`,
    [kind, id],
  );
}

/** Those from this moment on, in the order of time; uses deletions_at. */
export async function findDeletions(db: Db, from = new Date(0)): Promise<Deletion[]> {
  const found = await rows<{ kind: DeletedKind; hash: string; is_gone: number; at: Date }>(
    db,
    'SELECT kind, hash, is_gone, at FROM deletions WHERE at >= ? ORDER BY at, hash',
    [from],
  );
  return found.map(({ is_gone, ...one }) => ({ ...one, isGone: Boolean(is_gone) }));
}

/** Puts these in the place of what is noted of the same. */
export async function keepDeletions(db: Db, deletions: readonly Deletion[]): Promise<void> {
  if (deletions.length === 0) return;
  await write(
    db,
    `INSERT INTO deletions (kind, hash, is_gone, at) VALUES ?
     ON DUPLICATE KEY UPDATE is_gone = VALUES(is_gone), at = VALUES(at)`,
    [deletions.map(({ kind, hash, isGone, at }) => [kind, hash, isGone, at])],
  );
}

/** Of what is here that of which it is noted that it is gone; looks at all people. */
export async function findDeletedYetHere(
  db: Db,
): Promise<{ kind: DeletedKind; id: string; ownerId: string }[]> {
  return rows(
    db,
    `SELECT d.kind, s.id, s.owner_id AS ownerId FROM students s
       JOIN deletions d ON d.kind = 'student' AND d.is_gone AND d.hash = ${hashOf('s.id')}
     UNION ALL
     SELECT d.kind, s.id, s.owner_id FROM students s
       JOIN deletions d ON d.kind = 'consent' AND d.is_gone AND d.hash = ${hashOf('s.id')}
     WHERE s.guardian_consent_on IS NOT NULL
     UNION ALL
     SELECT d.kind, u.id, u.id FROM users u
       JOIN deletions d ON d.kind = 'account' AND d.is_gone AND d.hash = ${hashOf('u.id')}`,
  );
}

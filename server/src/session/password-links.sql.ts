import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';

/** A link by which a lost password is replaced works so long after it was sent. */
export const LINK_MINUTES = 60;

export interface PasswordLink {
  userId: string;
  email: string;
  name: string;
  state: 'open' | 'used' | 'replaced' | 'over';
}

/**
 * Keeps a link from when it is sent. The same one sent again works on.
 *
 * @param askedAt when it was asked for: of several the one asked for last counts
 * @returns false when a newer one was sent already, or this one was used
 */
export async function keepPasswordLink(
  db: Db,
  userId: string,
  token: string,
  askedAt: Date,
): Promise<boolean> {
  const hash = tokenHash(token);
  const [other] = await rows<{ token_hash: string }>(
    db,
    'SELECT token_hash FROM password_links WHERE user_id = ? AND (asked_at > ? OR (token_hash = ? AND used_at IS NOT NULL)) LIMIT 1',
    [userId, askedAt, hash],
  );
  if (other) return false;
  await write(
    db,
    `INSERT INTO password_links (token_hash, user_id, asked_at, until_at)
       VALUES (?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? MINUTE)
       ON DUPLICATE KEY UPDATE until_at = VALUES(until_at)`,
    [hash, userId, askedAt, LINK_MINUTES],
  );
  return true;
}

/** What a token opens; null for one of no link. Locked in a transaction, so that it is used once. By primary key. */
export async function findPasswordLink(db: Db, token: string): Promise<PasswordLink | null> {
  const [row] = await rows<{
    user_id: string;
    email: string;
    name: string;
    used: number;
    replaced: number;
    is_over: number;
  }>(
    db,
    `SELECT l.user_id, u.email, u.name, l.used_at IS NOT NULL AS used, l.until_at <= UTC_TIMESTAMP(3) AS is_over,
       EXISTS (SELECT 1 FROM password_links n WHERE n.user_id = l.user_id AND n.asked_at > l.asked_at) AS replaced
     FROM password_links l JOIN users u ON u.id = l.user_id AND u.blocked_at IS NULL
     WHERE l.token_hash = ? FOR UPDATE`,
    [tokenHash(token)],
  );
  if (!row) return null;
  const state = row.used ? 'used' : row.replaced ? 'replaced' : row.is_over ? 'over' : 'open';
  return { userId: row.user_id, email: row.email, name: row.name, state };
}

/** All links of somebody work no more: his password is a new one. */
export async function closePasswordLinks(db: Db, userId: string): Promise<void> {
  await write(
    db,
    'UPDATE password_links SET used_at = UTC_TIMESTAMP(3) WHERE user_id = ? AND used_at IS NULL',
    [userId],
  );
}

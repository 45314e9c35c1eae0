import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';
import type { Role } from './circles.sql';

/** A link works so long. Days. */
const LINK_DAYS = 7;

/** What a token offers: by a link for whoever has it, or by a letter for one address. */
export interface Offer {
  circleId: string;
  circleName: string;
  role: Role;
  invitedBy: string;
  /** The address it was written to; null for a link. */
  email: string | null;
  state: 'open' | 'used' | 'over';
}

export async function insertCircleLink(
  db: Db,
  link: { id: string; circleId: string; role: Role; token: string; userId: string },
): Promise<void> {
  await write(
    db,
    `INSERT INTO circle_links (id, circle_id, role, token_hash, made_by, until_at)
     VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? DAY)`,
    [link.id, link.circleId, link.role, tokenHash(link.token), link.userId, LINK_DAYS],
  );
}

/** Whether there is a link of this id, to whatever circle. */
export async function isCircleLink(db: Db, id: string): Promise<boolean> {
  return (await rows(db, 'SELECT id FROM circle_links WHERE id = ?', [id])).length > 0;
}

/** False when the circle has no such link. */
export async function deleteCircleLink(db: Db, circleId: string, id: string): Promise<boolean> {
  return (await write(db, 'DELETE FROM circle_links WHERE circle_id = ? AND id = ?', [circleId, id])) > 0;
}

/** The token of the letter that asks an address; null when it is not asked any more. By primary key. */
export async function keepInvitationToken(
  db: Db,
  circleId: string,
  email: string,
  token: string,
): Promise<Pick<Offer, 'circleName' | 'role' | 'invitedBy'> | null> {
  await write(db, 'UPDATE circle_invitations SET token_hash = ? WHERE circle_id = ? AND email = ?', [
    tokenHash(token),
    circleId,
    email,
  ]);
  const [row] = await rows<{ name: string; role: Role; invited_by: string | null }>(
    db,
    `SELECT c.name, i.role, u.name AS invited_by FROM circle_invitations i JOIN circles c ON c.id = i.circle_id
       LEFT JOIN users u ON u.id = i.invited_by WHERE i.circle_id = ? AND i.email = ?`,
    [circleId, email],
  );
  return row ? { circleName: row.name, role: row.role, invitedBy: row.invited_by ?? '' } : null;
}

/** What a token offers; null for none. Uses circle_links_token and circle_invitations_token. */
export async function findOfferOf(db: Db, token: string): Promise<Offer | null> {
  const hash = tokenHash(token);
  const [row] = await rows<{
    circle_id: string;
    name: string;
    role: Role;
    invited_by: string | null;
    email: string | null;
    used: number;
    is_over: number;
  }>(
    db,
    `SELECT o.circle_id, c.name, o.role, u.name AS invited_by, o.email, o.used, o.is_over FROM (
       SELECT circle_id, role, made_by AS by_id, NULL AS email, used_at IS NOT NULL AS used,
         until_at <= UTC_TIMESTAMP(3) AS is_over FROM circle_links WHERE token_hash = ?
       UNION ALL
       SELECT circle_id, role, invited_by, email, 0, 0 FROM circle_invitations WHERE token_hash = ?
     ) o JOIN circles c ON c.id = o.circle_id LEFT JOIN users u ON u.id = o.by_id`,
    [hash, hash],
  );
  if (!row) return null;
  return {
    circleId: row.circle_id,
    circleName: row.name,
    role: row.role,
    invitedBy: row.invited_by ?? '',
    email: row.email,
    state: row.used ? 'used' : row.is_over ? 'over' : 'open',
  };
}

/** Uses a link up; false when somebody else was first. */
export async function useCircleLink(db: Db, token: string): Promise<boolean> {
  return (
    (await write(
      db,
      'UPDATE circle_links SET used_at = UTC_TIMESTAMP(3) WHERE token_hash = ? AND used_at IS NULL',
      [tokenHash(token)],
    )) > 0
  );
}

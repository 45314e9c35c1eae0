import type { Circle, Invitation } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

export type Role = Circle['role'];

interface MemberRow {
  circle_id: string;
  circle_name: string;
  user_id: string;
  user_name: string;
  role: Role;
}

interface InvitationRow {
  circle_id: string;
  email: string;
  role: Role;
  invited_at: Date;
}

/** Circles the user is in with all members, by name; uses circle_members_user. Whom it asked to join, for owners. */
export async function findCircles(db: Db, userId: string): Promise<Circle[]> {
  const members = await rows<MemberRow>(
    db,
    `SELECT c.id AS circle_id, c.name AS circle_name, m.user_id, u.name AS user_name, m.role
     FROM circle_members mine JOIN circles c ON c.id = mine.circle_id JOIN circle_members m ON m.circle_id = c.id JOIN users u ON u.id = m.user_id
     WHERE mine.user_id = ? ORDER BY c.name, c.id, u.name`,
    [userId],
  );
  const invited = await rows<InvitationRow>(
    db,
    `SELECT i.circle_id, i.email, i.role, i.invited_at
     FROM circle_members m JOIN circle_invitations i ON i.circle_id = m.circle_id
     WHERE m.user_id = ? AND m.role = 'owner' ORDER BY i.email`,
    [userId],
  );
  const links = await rows<{ id: string; circle_id: string; role: Role; until_at: Date }>(
    db,
    `SELECT k.id, k.circle_id, k.role, k.until_at
     FROM circle_members m JOIN circle_links k ON k.circle_id = m.circle_id
     WHERE m.user_id = ? AND m.role = 'owner' AND k.used_at IS NULL AND k.until_at > UTC_TIMESTAMP(3)
     ORDER BY k.until_at, k.id`,
    [userId],
  );
  const circles = new Map<string, Circle>();
  for (const row of members) {
    const circle = circles.get(row.circle_id) ?? {
      id: row.circle_id,
      name: row.circle_name,
      role: 'reader' as Role,
      members: [],
      invited: invited
        .filter(({ circle_id }) => circle_id === row.circle_id)
        .map(({ email, role, invited_at }) => ({ email, role, at: invited_at.toISOString() })),
      links: links
        .filter(({ circle_id }) => circle_id === row.circle_id)
        .map(({ id, role, until_at }) => ({ id, role, until: until_at.toISOString() })),
    };
    circle.members.push({ userId: row.user_id, name: row.user_name, role: row.role });
    if (row.user_id === userId) circle.role = row.role;
    circles.set(row.circle_id, circle);
  }
  return [...circles.values()];
}

/** Locks a circle against changes of its members by others, and tells who they are; null when it is gone. */
export async function lockMembers(db: Db, circleId: string): Promise<Map<string, Role> | null> {
  const [circle] = await rows(db, 'SELECT id FROM circles WHERE id = ? FOR UPDATE', [circleId]);
  if (!circle) return null;
  const members = await rows<{ user_id: string; role: Role }>(
    db,
    'SELECT user_id, role FROM circle_members WHERE circle_id = ? FOR UPDATE',
    [circleId],
  );
  return new Map(members.map(({ user_id, role }) => [user_id, role]));
}

/** By primary key. */
export async function isMember(db: Db, circleId: string, userId: string): Promise<boolean> {
  return (
    (
      await rows(db, 'SELECT user_id FROM circle_members WHERE circle_id = ? AND user_id = ?', [
        circleId,
        userId,
      ])
    ).length > 0
  );
}

/** Whether there is a circle of this id, of whomever. */
export async function isCircle(db: Db, id: string): Promise<boolean> {
  return (await rows(db, 'SELECT id FROM circles WHERE id = ?', [id])).length > 0;
}

export async function insertCircle(db: Db, id: string, name: string): Promise<void> {
  await write(db, 'INSERT INTO circles (id, name) VALUES (?, ?)', [id, name]);
}

/** Its members and invitations go with it; what was shared with it is private again. */
export async function deleteCircle(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM circles WHERE id = ?', [id]);
}

/** Adds a member or changes his role. */
export async function upsertMember(db: Db, circleId: string, userId: string, role: Role): Promise<void> {
  await write(
    db,
    'INSERT INTO circle_members (circle_id, user_id, role) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE role = VALUES(role)',
    [circleId, userId, role],
  );
}

export async function deleteMember(db: Db, circleId: string, userId: string): Promise<void> {
  await write(db, 'DELETE FROM circle_members WHERE circle_id = ? AND user_id = ?', [circleId, userId]);
  await write(db, 'DELETE FROM drill_outcomes WHERE circle_id = ? AND user_id = ?', [circleId, userId]);
}

/** What a member brought into a circle goes out with him; uses plans_owner and waters_owner. */
export async function takeOutShared(db: Db, circleId: string, userId: string): Promise<void> {
  await write(db, 'UPDATE plans SET circle_id = NULL WHERE owner_id = ? AND circle_id = ?', [
    userId,
    circleId,
  ]);
  await write(db, 'UPDATE waters SET circle_id = NULL WHERE owner_id = ? AND circle_id = ?', [
    userId,
    circleId,
  ]);
}

/** Asks an address; asked again, with the newest role. */
export async function upsertInvitation(
  db: Db,
  circleId: string,
  email: string,
  role: Role,
  invitedBy: string,
): Promise<void> {
  await write(
    db,
    `INSERT INTO circle_invitations (circle_id, email, role, invited_by) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE role = VALUES(role), invited_by = VALUES(invited_by), invited_at = UTC_TIMESTAMP(3)`,
    [circleId, email, role, invitedBy],
  );
}

/** False when there was none. */
export async function deleteInvitation(db: Db, circleId: string, email: string): Promise<boolean> {
  return (
    (await write(db, 'DELETE FROM circle_invitations WHERE circle_id = ? AND email = ?', [circleId, email])) >
    0
  );
}

/** What a circle offers an address, by primary key; locked, so that it is answered once. */
export async function findOffer(db: Db, circleId: string, email: string): Promise<Role | null> {
  const [found] = await rows<{ role: Role }>(
    db,
    'SELECT role FROM circle_invitations WHERE circle_id = ? AND email = ? FOR UPDATE',
    [circleId, email],
  );
  return found?.role ?? null;
}

/** Circles that ask an address to join, latest first; uses circle_invitations_email. */
export async function findInvitations(db: Db, email: string): Promise<Invitation[]> {
  const found = await rows<InvitationRow & { name: string; invited_by: string | null }>(
    db,
    `SELECT i.circle_id, c.name, i.role, COALESCE(u.name, '') AS invited_by, i.invited_at
     FROM circle_invitations i JOIN circles c ON c.id = i.circle_id LEFT JOIN users u ON u.id = i.invited_by
     WHERE i.email = ? ORDER BY i.invited_at DESC, i.circle_id`,
    [email],
  );
  return found.map(({ circle_id, name, role, invited_by, invited_at }) => ({
    circleId: circle_id,
    circleName: name,
    role,
    invitedBy: invited_by ?? '',
    at: invited_at.toISOString(),
  }));
}

import type { Circle } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

type Role = Circle['role'];

interface MemberRow {
  circle_id: string;
  circle_name: string;
  user_id: string;
  user_name: string;
  role: Role;
}

/** Circles the user is in with all members, by name; uses circle_members_user. */
export async function findCircles(db: Db, userId: string): Promise<Circle[]> {
  const members = await rows<MemberRow>(
    db,
    `SELECT c.id AS circle_id, c.name AS circle_name, m.user_id, u.name AS user_name, m.role
     FROM circle_members mine JOIN circles c ON c.id = mine.circle_id JOIN circle_members m ON m.circle_id = c.id JOIN users u ON u.id = m.user_id
     WHERE mine.user_id = ? ORDER BY c.name, c.id, u.name`,
    [userId],
  );
  const circles = new Map<string, Circle>();
  for (const row of members) {
    const circle = circles.get(row.circle_id) ?? {
      id: row.circle_id,
      name: row.circle_name,
      role: 'reader' as Role,
      members: [],
    };
    circle.members.push({ userId: row.user_id, name: row.user_name, role: row.role });
    if (row.user_id === userId) circle.role = row.role;
    circles.set(row.circle_id, circle);
  }
  return [...circles.values()];
}

/** Null when the user is not in the circle. */
export async function findRole(db: Db, circleId: string, userId: string): Promise<Role | null> {
  return (
    (
      await rows<{ role: Role }>(db, 'SELECT role FROM circle_members WHERE circle_id = ? AND user_id = ?', [
        circleId,
        userId,
      ])
    )[0]?.role ?? null
  );
}

export async function insertCircle(db: Db, id: string, name: string): Promise<void> {
  await write(db, 'INSERT INTO circles (id, name) VALUES (?, ?)', [id, name]);
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
}

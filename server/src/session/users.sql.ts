import { ASSIST_LATE_HOURS, type Settings, type User } from '@doceo/contract';
import { DEFAULT_SCHOOLS, type RigSchools } from '@doceo/core';
import { ASSIST_UNTIL } from '../assistants/assist-until';
import { type Db, rows, write } from '../db/pool';

export interface UserRow {
  id: string;
  email: string;
  name: string;
  password_hash: string;
  units: Settings['units'];
  bank_hand: Settings['bankHand'];
  schools: string | null;
  admin: boolean;
  blocked: boolean;
  /** 32 bytes in base64; null until a device first asks for it. */
  device_key: string | null;
  /** Whether signing in asks for a code of the phone too. */
  totp_on: boolean;
  /** The one lesson in which somebody helps, and who teaches it; null for everybody else. */
  assists: { lessonId: string; keeperId: string; until: Date; over: boolean } | null;
}

type StoredUser = Omit<UserRow, 'assists'> & {
  assists_lesson_id: string | null;
  keeper_id: string | null;
  assists_until: Date | null;
};

const COLUMNS = `u.id, u.email, u.name, u.password_hash, u.units, u.bank_hand, u.schools, u.admin,
  u.blocked_at IS NOT NULL AS blocked, u.device_key, u.totp_on, u.assists_lesson_id, l.owner_id AS keeper_id,
  LEAST(${ASSIST_UNTIL}, COALESCE(u.assists_ended_at, ${ASSIST_UNTIL})) AS assists_until`;
const USERS = 'users u LEFT JOIN lessons l ON l.id = u.assists_lesson_id';
const SELECT = `SELECT ${COLUMNS} FROM ${USERS}`;

/** Null for an assistant whose lesson is so long over that nothing of his is taken any more. */
function toRow({ assists_lesson_id, keeper_id, assists_until, ...row }: StoredUser): UserRow | null {
  if (assists_lesson_id === null || keeper_id === null || assists_until === null)
    return { ...row, assists: null };
  const overMs = Date.now() - assists_until.getTime();
  if (overMs > ASSIST_LATE_HOURS * 3_600_000) return null;
  return {
    ...row,
    assists: { lessonId: assists_lesson_id, keeperId: keeper_id, until: assists_until, over: overMs > 0 },
  };
}

/** Whose teaching somebody follows: his own, or that of whom he helps. */
export function teacherOf({ id, assists }: UserRow): string {
  return assists?.keeperId ?? id;
}

export function toUser(row: UserRow): User {
  return {
    id: row.id,
    name: row.name,
    email: row.email,
    admin: Boolean(row.admin),
    assists: row.assists && {
      ...{ lessonId: row.assists.lessonId, over: row.assists.over },
      until: row.assists.until.toISOString(),
    },
    settings: {
      units: row.units,
      bankHand: row.bank_hand,
      schools: row.schools === null ? DEFAULT_SCHOOLS : (JSON.parse(row.schools) as RigSchools),
    },
  };
}

/** A session as it is stored; times in seconds since 1970, by the clock of the database. */
export interface SessionRow {
  data: string;
  expires: number;
  ends: number;
  now: number;
  /** Whose it is; null when nothing of him is taken any more. */
  user: UserRow | null;
}

/** By primary keys, in one statement: every request waits for it. Null when there is none. */
export async function findSession(db: Db, sessionId: string): Promise<SessionRow | null> {
  const [found] = await rows<StoredUser & Omit<SessionRow, 'user'>>(
    db,
    `SELECT s.data, s.expires, s.ends, UNIX_TIMESTAMP() AS now, ${COLUMNS}
      FROM sessions s JOIN (${USERS}) ON u.id = s.user_id WHERE s.session_id = ?`,
    [sessionId],
  );
  if (!found) return null;
  const { data, expires, ends, now, ...user } = found;
  return { data, expires, ends, now, user: toRow(user) };
}

/** By primary key; null for an account that is gone. */
export async function findUser(db: Db, id: string): Promise<UserRow | null> {
  const [found] = await rows<StoredUser>(db, `${SELECT} WHERE u.id = ?`, [id]);
  return found ? toRow(found) : null;
}

/** By the unique key users_email; null for a stranger. */
export async function findUserByEmail(db: Db, email: string): Promise<UserRow | null> {
  const [found] = await rows<StoredUser>(db, `${SELECT} WHERE u.email = ? AND u.assists_lesson_id IS NULL`, [
    email,
  ]);
  return found ? toRow(found) : null;
}

/** False when the e-mail has an account already, which stays as it is. */
export async function insertUser(
  db: Db,
  user: { id: string; email: string; name: string; passwordHash: string; admin?: boolean },
): Promise<boolean> {
  const touched = await write(
    db,
    'INSERT IGNORE INTO users (id, email, name, password_hash, admin) VALUES (?, ?, ?, ?, ?)',
    [user.id, user.email, user.name, user.passwordHash, user.admin ?? false],
  );
  return touched > 0;
}

export async function updateSettings(db: Db, userId: string, settings: Settings): Promise<void> {
  await write(db, 'UPDATE users SET units = ?, bank_hand = ?, schools = ? WHERE id = ?', [
    settings.units,
    settings.bankHand,
    JSON.stringify(settings.schools),
    userId,
  ]);
}

export async function updatePassword(db: Db, userId: string, passwordHash: string): Promise<void> {
  await write(db, 'UPDATE users SET password_hash = ? WHERE id = ?', [passwordHash, userId]);
}

/** Closes an account, or opens it again; its data stay. */
export async function updateBlocked(db: Db, userId: string, blocked: boolean): Promise<void> {
  await write(db, 'UPDATE users SET blocked_at = IF(?, UTC_TIMESTAMP(3), NULL) WHERE id = ?', [
    blocked,
    userId,
  ]);
}

export async function updateAdmin(db: Db, userId: string, admin: boolean): Promise<void> {
  await write(db, 'UPDATE users SET admin = ? WHERE id = ?', [admin, userId]);
}

/** Keeps the first key that is offered; the one that is kept, whoever offered it. */
export async function keepDeviceKey(db: Db, userId: string, offered: string): Promise<string> {
  await write(db, 'UPDATE users SET device_key = ? WHERE id = ? AND device_key IS NULL', [offered, userId]);
  return (await findUser(db, userId))?.device_key ?? offered;
}

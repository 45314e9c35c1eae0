import type { Settings, User } from '@doceo/contract';
import { DEFAULT_SCHOOLS, type RigSchools } from '@doceo/core';
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
}

const COLUMNS =
  'id, email, name, password_hash, units, bank_hand, schools, admin, blocked_at IS NOT NULL AS blocked, device_key, totp_on';

export function toUser(row: UserRow): User {
  return {
    id: row.id,
    name: row.name,
    email: row.email,
    admin: Boolean(row.admin),
    settings: {
      units: row.units,
      bankHand: row.bank_hand,
      schools: row.schools === null ? DEFAULT_SCHOOLS : (JSON.parse(row.schools) as RigSchools),
    },
  };
}

/** By primary key; null for an account that is gone. */
export async function findUser(db: Db, id: string): Promise<UserRow | null> {
  return (await rows<UserRow>(db, `SELECT ${COLUMNS} FROM users WHERE id = ?`, [id]))[0] ?? null;
}

/** By the unique key users_email; null for a stranger. */
export async function findUserByEmail(db: Db, email: string): Promise<UserRow | null> {
  return (await rows<UserRow>(db, `SELECT ${COLUMNS} FROM users WHERE email = ?`, [email]))[0] ?? null;
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

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
}

const COLUMNS = 'id, email, name, password_hash, units, bank_hand, schools';

export function toUser(row: UserRow): User {
  return {
    id: row.id,
    name: row.name,
    email: row.email,
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

export async function insertUser(
  db: Db,
  user: { id: string; email: string; name: string; passwordHash: string },
): Promise<void> {
  await write(db, 'INSERT INTO users (id, email, name, password_hash) VALUES (?, ?, ?, ?)', [
    user.id,
    user.email,
    user.name,
    user.passwordHash,
  ]);
}

export async function updateSettings(db: Db, userId: string, settings: Settings): Promise<void> {
  await write(db, 'UPDATE users SET units = ?, bank_hand = ?, schools = ? WHERE id = ?', [
    settings.units,
    settings.bankHand,
    JSON.stringify(settings.schools),
    userId,
  ]);
}

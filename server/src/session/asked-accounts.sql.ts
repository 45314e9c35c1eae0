import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';

/** What was asked for is kept so long. Days. */
const KEPT_DAYS = 2;
const KEPT = `asked_at > UTC_TIMESTAMP(3) - INTERVAL ${KEPT_DAYS} DAY`;

export interface AskedAccount {
  id: string;
  email: string;
  name: string;
  passwordHash: string;
}

/** Notes what was asked for; what nobody opened in time goes. Uses asked_accounts_time. */
export async function insertAskedAccount(db: Db, asked: AskedAccount): Promise<void> {
  await write(db, `DELETE FROM asked_accounts WHERE NOT (${KEPT})`);
  await write(db, 'INSERT INTO asked_accounts (id, email, name, password_hash) VALUES (?, ?, ?, ?)', [
    asked.id,
    asked.email,
    asked.name,
    asked.passwordHash,
  ]);
}

/** Gives what was asked for its token; false when it is gone. */
export async function keepAskedToken(db: Db, id: string, token: string): Promise<boolean> {
  const hash = tokenHash(token);
  await write(db, 'UPDATE asked_accounts SET token_hash = ? WHERE id = ?', [hash, id]);
  return (await rows(db, 'SELECT id FROM asked_accounts WHERE id = ?', [id])).length > 0;
}

/** What a token makes, locked in a transaction so that it is made once; null for none. Uses asked_accounts_token. */
export async function findAskedAccount(db: Db, token: string): Promise<AskedAccount | null> {
  const [row] = await rows<{ id: string; email: string; name: string; password_hash: string }>(
    db,
    `SELECT id, email, name, password_hash FROM asked_accounts WHERE token_hash = ? AND ${KEPT} FOR UPDATE`,
    [tokenHash(token)],
  );
  return row ? { id: row.id, email: row.email, name: row.name, passwordHash: row.password_hash } : null;
}

export async function deleteAskedAccount(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM asked_accounts WHERE id = ?', [id]);
}

/** All that was asked for with an address: one of them was made. Uses asked_accounts_email. */
export async function deleteAskedAccountsOf(db: Db, email: string): Promise<void> {
  await write(db, 'DELETE FROM asked_accounts WHERE email = ?', [email]);
}

import { type Db, rows, write } from '../db/pool';

export interface SecondFactorRow {
  totp_secret: string | null;
  totp_on: boolean;
  totp_step: number | null;
}

/** By primary key; locked in a transaction, so that a code is used once. */
export async function lockSecondFactor(db: Db, userId: string): Promise<SecondFactorRow> {
  const [row] = await rows<SecondFactorRow>(
    db,
    'SELECT totp_secret, totp_on, totp_step FROM users WHERE id = ? FOR UPDATE',
    [userId],
  );
  return {
    totp_secret: row?.totp_secret ?? null,
    totp_on: Boolean(row?.totp_on),
    totp_step: typeof row?.totp_step === 'number' ? row.totp_step : null,
  };
}

/** Keeps a secret that is not yet in use; one in use stays. False when one is. */
export async function offerSecret(db: Db, userId: string, sealed: string): Promise<boolean> {
  return (
    (await write(db, 'UPDATE users SET totp_secret = ?, totp_step = NULL WHERE id = ? AND totp_on = 0', [
      sealed,
      userId,
    ])) > 0
  );
}

/** Notes the step of a code that counted; with it a secret that was offered is in use. */
export async function useStep(db: Db, userId: string, step: number): Promise<void> {
  await write(db, 'UPDATE users SET totp_on = 1, totp_step = ? WHERE id = ?', [step, userId]);
}

/** The password alone opens the account again. */
export async function endSecondFactor(db: Db, userId: string): Promise<void> {
  await write(db, 'UPDATE users SET totp_secret = NULL, totp_on = 0, totp_step = NULL WHERE id = ?', [
    userId,
  ]);
  await write(db, 'DELETE FROM spare_codes WHERE user_id = ?', [userId]);
}

/** New spare codes in place of all earlier ones. */
export async function replaceSpareCodes(db: Db, userId: string, hashes: readonly string[]): Promise<void> {
  await write(db, 'DELETE FROM spare_codes WHERE user_id = ?', [userId]);
  for (const hash of hashes)
    await write(db, 'INSERT INTO spare_codes (user_id, code_hash) VALUES (?, ?)', [userId, hash]);
}

/** Takes a spare code away; false when there was none. */
export async function takeSpareCode(db: Db, userId: string, hash: string): Promise<boolean> {
  return (await write(db, 'DELETE FROM spare_codes WHERE user_id = ? AND code_hash = ?', [userId, hash])) > 0;
}

/** Spare codes that are left; by primary key. */
export async function countSpareCodes(db: Db, userId: string): Promise<number> {
  const [row] = await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM spare_codes WHERE user_id = ?', [
    userId,
  ]);
  return Number(row?.n ?? 0);
}

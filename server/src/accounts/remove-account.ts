import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { deleteAccount, findAccountEffect } from './accounts.sql';

/**
 * Deletes an account; all or nothing.
 *
 * @throws HttpError 'in-use' when a circle with others in it would be left without an owner
 */
export async function removeAccount(pool: Pool, userId: string): Promise<void> {
  await pool.transaction(async (db) => {
    const { circlesWithoutOwner } = await findAccountEffect(db, userId);
    if (circlesWithoutOwner.length > 0)
      throw new HttpError(
        'in-use',
        [],
        `Make somebody else an owner first, or let the others leave: ${circlesWithoutOwner.join(', ')}.`,
      );
    await deleteAccount(db, userId);
  });
}

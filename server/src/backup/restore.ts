import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { deleteAccount } from '../accounts/accounts.sql';
import { endConsents } from '../consents/consents.sql';
import { openPool, type Pool, rows, write } from '../db/pool';
import { prepareDatabase } from '../db/prepare';
import { deleteStudent } from '../students/privacy.sql';
import { type About, DATA, DELETIONS, readAbout } from './backup-file';
import { load } from './client';
import { type Deletion, findDeletedYetHere, findDeletions, keepDeletions } from './deletions.sql';
import { latest, readLedger } from './ledger';

export interface Restored extends About {
  /** Who was deleted after the backup, and has been deleted again. */
  deletedAgain: number;
  /** Of whom a guardian said no after it, so that nothing is recorded of them. */
  consentsEnded: number;
}

/**
 * Puts a backup in the place of all that is in a database, brings it up to date, and deletes again whoever was deleted
 * since. Everybody has to sign in again, and devices send again what they logged.
 *
 * @param ledgers files that say who was deleted, besides the backup's own and the database's
 * @throws Error that says why not; before anything is changed when the backup is not whole, is newer than this program,
 *   or a server still works on the database
 */
export async function restore(
  url: string,
  migrations: string,
  folder: string,
  ledgers: readonly string[],
): Promise<Restored> {
  const about = await readAbout(folder);
  const newest =
    readdirSync(migrations)
      .filter((file) => file.endsWith('.sql'))
      .sort()
      .at(-1) ?? '';
  if ((about.schema.split('/')[0] ?? '') > newest.replace('.sql', ''))
    throw new Error('The backup is of a newer version of Doceo: bring that version up first.');
  const pool = openPool(url, 2);
  try {
    await refuseBesideServers(pool);
    const told = [join(folder, DELETIONS), ...ledgers].flatMap((path) =>
      existsSync(path) ? readLedger(readFileSync(path, 'utf8')) : [],
    );
    const known = await findDeletions(pool).catch((): Deletion[] => []);
    await dropTables(pool);
    await load(url, join(folder, DATA));
    await prepareDatabase(url, migrations);
    const deletions = latest([...(await findDeletions(pool)), ...known, ...told]);
    return { ...about, ...(await settle(pool, about, deletions)) };
  } finally {
    await pool.end();
  }
}

/** Ends all sessions, begins a new life of the data, deletes whoever is to be deleted, and ends what consents ended. */
async function settle(
  pool: Pool,
  about: About,
  deletions: readonly Deletion[],
): Promise<Pick<Restored, 'deletedAgain' | 'consentsEnded'>> {
  return pool.transaction(async (db) => {
    await keepDeletions(db, deletions);
    const again = await findDeletedYetHere(db);
    for (const { kind, id, ownerId } of again)
      if (kind === 'student') await deleteStudent(db, ownerId, id);
      else if (kind === 'account') await deleteAccount(db, id);
      else await endConsents(db, id);
    await write(db, 'DELETE FROM sessions');
    await write(db, 'UPDATE installation SET life = UUID(), back_to = ? WHERE id = 1', [new Date(about.at)]);
    const consentsEnded = again.filter(({ kind }) => kind === 'consent').length;
    return { deletedAgain: again.length - consentsEnded, consentsEnded };
  });
}

/** @throws Error while others work on the database */
export async function refuseBesideServers(pool: Pool): Promise<void> {
  const [others] = await rows<{ n: number }>(
    pool,
    'SELECT COUNT(*) AS n FROM information_schema.PROCESSLIST WHERE DB = DATABASE() AND ID <> CONNECTION_ID()',
  );
  if (Number(others?.n ?? 0) > 0)
    throw new Error('A server still works on this database: stop it, and all others that do.');
}

async function dropTables(pool: Pool): Promise<void> {
  const tables = await rows<{ name: string }>(
    pool,
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
  );
  await pool.transaction(async (db) => {
    await write(db, 'SET FOREIGN_KEY_CHECKS = 0');
    for (const { name } of tables) await write(db, `DROP TABLE IF EXISTS \`${name}\``);
    await write(db, 'SET FOREIGN_KEY_CHECKS = 1');
  });
}

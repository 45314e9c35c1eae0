import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { Umzug, type UmzugStorage } from 'umzug';

const LOCK = 'doceo-migrations';

/**
 * Brings the schema up to date. Several processes may start at once: a lock of the database lets one work.
 *
 * @param folder holds the numbered `.sql` files
 * @returns names of the migrations that were run
 */
export async function migrate(url: string, folder: string): Promise<string[]> {
  const connection = await createConnection({
    uri: url.replace(/^mariadb:/, 'mysql:'),
    multipleStatements: true,
    timezone: 'Z',
  });
  try {
    await connection.query('SELECT GET_LOCK(?, 60)', [LOCK]);
    await connection.query('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(100) NOT NULL PRIMARY KEY)');
    const umzug = new Umzug({
      migrations: readdirSync(folder)
        .filter((file) => file.endsWith('.sql'))
        .sort()
        .map((file) => ({
          name: basename(file, '.sql'),
          up: async () => {
            await connection.query(readFileSync(join(folder, file), 'utf8'));
          },
        })),
      storage: storage(connection),
      logger: undefined,
    });
    return (await umzug.up()).map((migration) => migration.name);
  } finally {
    await connection.end();
  }
}

function storage(connection: Connection): UmzugStorage {
  return {
    executed: async () =>
      (await connection.query<RowDataPacket[]>('SELECT name FROM migrations ORDER BY name'))[0].map((row) =>
        String(row['name']),
      ),
    logMigration: async ({ name }) =>
      void (await connection.query('INSERT INTO migrations (name) VALUES (?)', [name])),
    unlogMigration: async ({ name }) =>
      void (await connection.query('DELETE FROM migrations WHERE name = ?', [name])),
  };
}

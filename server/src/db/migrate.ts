import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { Umzug, type UmzugStorage } from 'umzug';
import { type Db, rows, write } from './pool';

/**
 * Brings the schema up to date, one statement at a time. Each is noted when it has run and is safe to run again, so a
 * process that is killed anywhere leaves what the next one goes on with.
 *
 * @param db one connection, which holds the lock of `prepareDatabase`
 * @param folder holds the numbered `.sql` files
 * @param before is called before each step
 * @returns names of the steps that were run: file and number of the statement in it
 */
export async function migrate(
  db: Db,
  folder: string,
  before: () => Promise<void> = () => Promise.resolve(),
): Promise<string[]> {
  await write(db, 'CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(100) NOT NULL PRIMARY KEY)');
  const files = readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort();
  const umzug = new Umzug({
    migrations: files.flatMap((file) =>
      statementsOf(readFileSync(join(folder, file), 'utf8')).map((sql, index) => ({
        name: stepName(basename(file, '.sql'), index),
        up: async () => {
          await before();
          await write(db, sql);
        },
      })),
    ),
    storage: storage(db, folder),
    logger: undefined,
  });
  return (await umzug.up()).map((migration) => migration.name);
}

/** The statements of a file: each ends with a semicolon at the end of a line. */
export function statementsOf(text: string): string[] {
  return text
    .replace(/^--.*$/gm, '')
    .split(/;\s*$/m)
    .map((statement) => statement.trim())
    .filter((statement) => statement !== '');
}

const stepName = (file: string, index: number): string => `${file}/${String(index + 1).padStart(2, '0')}`;

function storage(db: Db, folder: string): UmzugStorage {
  return {
    executed: async () => {
      const noted = (await rows<{ name: string }>(db, 'SELECT name FROM migrations ORDER BY name')).map(
        ({ name }) => name,
      );
      // Until the eighth, files were noted as a whole.
      return noted.flatMap((name) =>
        name.includes('/')
          ? [name]
          : statementsOf(readFileSync(join(folder, `${name}.sql`), 'utf8')).map((_, i) => stepName(name, i)),
      );
    },
    logMigration: async ({ name }) =>
      void (await write(db, 'INSERT INTO migrations (name) VALUES (?)', [name])),
    unlogMigration: async ({ name }) =>
      void (await write(db, 'DELETE FROM migrations WHERE name = ?', [name])),
  };
}

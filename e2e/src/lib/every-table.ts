import { createConnection } from 'mysql2/promise';
import { placesNaming } from '../../../server/src/testing/every-table';

/** Where in the whole database one of these words stands: its letters left out, which are in the mailbox of who got them. */
export async function leftInTables(databaseUrl: string, words: readonly string[]): Promise<string[]> {
  const connection = await createConnection({
    uri: databaseUrl.replace(/^mariadb:/, 'mysql:'),
    charset: 'utf8mb4',
    jsonStrings: true,
  });
  const places = await placesNaming(
    { query: async (sql, values) => (await connection.query(sql, [...values]))[0] },
    words,
  );
  await connection.end();
  return places.filter((place) => !place.startsWith('stand_in_mails.'));
}

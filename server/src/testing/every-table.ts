import { type Db, rows } from '../db/pool';

const TEXT_TYPES = ['char', 'varchar', 'tinytext', 'text', 'mediumtext', 'longtext', 'json', 'enum'];

/** Where in the whole database one of these words stands, as `table.column: the value`; migrations' own table left out. */
export async function placesNaming(db: Db, words: readonly string[]): Promise<string[]> {
  const columns = await rows<{ table: string; column: string }>(
    db,
    `SELECT TABLE_NAME AS \`table\`, COLUMN_NAME AS \`column\` FROM information_schema.COLUMNS
     WHERE TABLE_SCHEMA = DATABASE() AND DATA_TYPE IN (?) ORDER BY TABLE_NAME, ORDINAL_POSITION`,
    [TEXT_TYPES],
  );
  const places: string[] = [];
  for (const { table, column } of columns)
    for (const word of words) {
      const found = await rows<{ value: string }>(
        db,
        `SELECT CAST(\`${column}\` AS CHAR) AS value FROM \`${table}\` WHERE INSTR(CAST(\`${column}\` AS CHAR), ?) > 0 LIMIT 3`,
        [word],
      );
      places.push(...found.map(({ value }) => `${table}.${column}: ${value.slice(0, 80)}`));
    }
  return places;
}

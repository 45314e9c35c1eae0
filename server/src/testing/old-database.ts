import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { createConnection } from 'mysql2/promise';
import { connectionOptions } from '../db/nodes';
import { emptyDatabase, ROOT } from './test-database';

/** The dump is of one day, and its last lesson would be over some day: all move, so that it lies a week ahead. */
const AS_OF_TODAY = `SELECT DATEDIFF(UTC_DATE(), MAX(starts_at)) + 7 INTO @days FROM lessons;
  UPDATE lessons SET starts_at = starts_at + INTERVAL @days DAY`;

/**
 * A database as a program of before left it, with what years of use leave behind: ids that are gone from the library, a
 * lesson of nine, records in lessons that no longer name the student, a rig of the first shape, a clock far ahead.
 *
 * @param state name of a dump in `fixtures`
 */
export async function oldDatabase(name: string, state: 'state-007'): Promise<string> {
  const url = await emptyDatabase(name);
  const dump = gunzipSync(readFileSync(join(ROOT, `server/src/testing/fixtures/${state}.sql.gz`))).toString();
  const connection = await createConnection({ ...connectionOptions(url), multipleStatements: true });
  await connection.query(dump);
  await connection.query(AS_OF_TODAY);
  await connection.end();
  return url;
}

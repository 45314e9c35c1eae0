import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';

export const ROOT = process.env['DOCEO_ROOT'] ?? process.cwd();
export const MIGRATIONS = join(ROOT, 'server/migrations');

/** An empty database of this name beside the one of the tests; its URL. */
export async function emptyDatabase(name: string): Promise<string> {
  const base = process.env['DOCEO_TEST_DB_URL'];
  if (!base) throw new Error('DOCEO_TEST_DB_URL is not set; npm test sets it.');
  const admin = await createConnection({ uri: base.replace(/^mariadb:/, 'mysql:') });
  await admin.query(`DROP DATABASE IF EXISTS doceo_${name}`);
  await admin.query(`CREATE DATABASE doceo_${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.end();
  return base.replace(/\/doceo$/, `/doceo_${name}`);
}

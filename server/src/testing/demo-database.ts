import { type Connection, createConnection, type RowDataPacket } from 'mysql2/promise';
import { connectionOptions } from '../db/nodes';
import { prepareDatabase } from '../db/prepare';
import { seedDemo } from '../seed/seed-demo';
import { emptyDatabase, MIGRATIONS } from './test-database';

/** How long is waited for another spec that makes the template, seconds. */
const PATIENCE_S = 600;

/**
 * A database of this name with the demo in it, as a first start leaves it. The first spec of an hour makes one, all others
 * take a copy: to make the schema step by step and to work out the demo takes most of the time of a small spec.
 */
export async function demoDatabase(name: string): Promise<string> {
  const url = await emptyDatabase(name);
  const connection = await createConnection({ ...connectionOptions(url), multipleStatements: true });
  try {
    // The demo goes by the day: one of yesterday is not taken.
    const template = `demo_${new Date().toISOString().slice(0, 13).replace(/\W/g, '_')}`;
    await connection.query('SELECT GET_LOCK(?, ?)', [template, PATIENCE_S]);
    try {
      if (!(await isThere(connection, template))) await prepareDemo(await emptyDatabase(template));
    } finally {
      await connection.query('SELECT RELEASE_LOCK(?)', [template]);
    }
    await copyFrom(connection, `doceo_${template}`);
  } finally {
    await connection.end();
  }
  return url;
}

/** Whether it was made to its end: what is loaded is noted with the last of it. */
async function isThere(connection: Connection, template: string): Promise<boolean> {
  const [tables] = await connection.query<RowDataPacket[]>(
    "SELECT 1 FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_NAME = 'loaded'",
    [`doceo_${template}`],
  );
  if (tables.length === 0) return false;
  const [loaded] = await connection.query<RowDataPacket[]>(
    `SELECT 1 FROM \`doceo_${template}\`.loaded WHERE what = 'demo'`,
  );
  return loaded.length > 0;
}

/** Does with a database what a first start does, as far as it was not done. */
export async function prepareDemo(url: string): Promise<void> {
  await prepareDatabase(url, MIGRATIONS, async (db) => {
    await seedDemo(db, new Date());
  });
}

/** Copies all tables into the database of the connection, with their keys. */
async function copyFrom(connection: Connection, schema: string): Promise<void> {
  // What the database works out by itself it works out again.
  const [tables] = await connection.query<RowDataPacket[]>(
    `SELECT TABLE_NAME AS name, GROUP_CONCAT('\`', COLUMN_NAME, '\`') AS columns FROM information_schema.COLUMNS
       WHERE TABLE_SCHEMA = ? AND GENERATION_EXPRESSION IS NULL GROUP BY TABLE_NAME`,
    [schema],
  );
  const statements: string[] = [];
  for (const { name, columns } of tables as { name: string; columns: string }[]) {
    const [[made]] = await connection.query<RowDataPacket[]>(`SHOW CREATE TABLE \`${schema}\`.\`${name}\``);
    statements.push(String(made?.['Create Table']));
    statements.push(`INSERT INTO \`${name}\` (${columns}) SELECT ${columns} FROM \`${schema}\`.\`${name}\``);
  }
  // A table may name one that comes later.
  await connection.query(['SET foreign_key_checks = 0', ...statements].join(';\n'));
}

import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { seedDemo } from '../seed/seed-demo';
import { emptyDatabase, MIGRATIONS } from '../testing/test-database';
import { migrate, statementsOf } from './migrate';
import { connectionOptions } from './nodes';
import { type Db, openPool, rows } from './pool';
import { prepareDatabase } from './prepare';

const NOW = new Date('2026-06-01T09:00:00Z');

/** A connection whose process is killed after so many statements: what it began and did not commit is lost. */
async function killedAfter(
  url: string,
  statements: number,
  work: (db: Db) => Promise<unknown>,
): Promise<boolean> {
  const connection = await createConnection(connectionOptions(url));
  let left = statements;
  let killed = false;
  try {
    await work({
      query: async (sql, values) => {
        killed = left === 0;
        if (killed) throw new Error('killed');
        left -= 1;
        return (await connection.query(sql, [...values]))[0];
      },
    });
    return false;
  } catch (error) {
    if (!killed) throw error;
    return true;
  } finally {
    connection.destroy();
  }
}

/** Everything about the schema that a statement could have left half done. */
async function schemaOf(url: string): Promise<unknown> {
  const pool = openPool(url, 1);
  const all = {
    columns: await rows(
      pool,
      `SELECT table_name, column_name, column_type, is_nullable, column_default FROM information_schema.columns
       WHERE table_schema = DATABASE() ORDER BY table_name, column_name`,
    ),
    keys: await rows(
      pool,
      `SELECT table_name, index_name, GROUP_CONCAT(column_name ORDER BY seq_in_index) AS of
       FROM information_schema.statistics WHERE table_schema = DATABASE() GROUP BY table_name, index_name ORDER BY 1, 2`,
    ),
    foreign: await rows(
      pool,
      `SELECT constraint_name, delete_rule, table_name, referenced_table_name
       FROM information_schema.referential_constraints WHERE constraint_schema = DATABASE() ORDER BY 1, 3`,
    ),
    checks: await rows(
      pool,
      `SELECT table_name, constraint_name FROM information_schema.check_constraints
       WHERE constraint_schema = DATABASE() ORDER BY 1, 2`,
    ),
    done: await rows(pool, 'SELECT name FROM migrations ORDER BY name'),
    jobs: await rows(pool, 'SELECT * FROM fit_job'),
  };
  await pool.end();
  return all;
}

describe('the first start', () => {
  it('reads files as single statements', () => {
    expect(statementsOf('-- about; this\nCREATE TABLE a (b INT);\n\nUPDATE a\n  SET b = 1;\n')).toEqual([
      'CREATE TABLE a (b INT)',
      'UPDATE a\n  SET b = 1',
    ]);
    for (const file of readdirSync(MIGRATIONS))
      for (const statement of statementsOf(readFileSync(join(MIGRATIONS, file), 'utf8')))
        expect(statement).toMatch(/^(CREATE|ALTER|INSERT|UPDATE|DELETE|DROP) [^;]*$/);
  });

  it('goes on after a kill behind every statement of every migration', async () => {
    const whole = await schemaOf(await prepared('killed_none'));
    const url = await emptyDatabase('killed_migration');
    const pool = openPool(url, 1);
    const noted = async () => (await rows(pool, 'SELECT name FROM migrations')).length;
    // A start first asks what has run. Then come two statements a step: itself, and the note that it has run.
    const killed = (statements: number) => killedAfter(url, statements, (db) => migrate(db, MIGRATIONS));
    expect([await killed(0), await killed(1)]).toEqual([true, true]);
    let steps = 0;
    while (await killed(3)) {
      expect(await noted()).toBe(steps);
      await killed(4);
      steps += 1;
      expect(await noted()).toBe(steps);
    }
    expect(steps).toBeGreaterThan(50);
    expect(await prepareDatabase(url, MIGRATIONS)).toEqual([]);
    expect(await schemaOf(url)).toEqual(whole);
    await pool.end();
  }, 600_000);

  it('loads the demo whole after a kill behind every statement of its loading', async () => {
    const url = await prepared('killed_demo');
    const pool = openPool(url, 1);
    const counts = async (): Promise<unknown> =>
      (
        await rows(
          pool,
          `SELECT (SELECT COUNT(*) FROM users) AS users, (SELECT COUNT(*) FROM events) AS events,
             (SELECT COUNT(*) FROM lessons) AS lessons, (SELECT COUNT(*) FROM loaded) AS loaded`,
        )
      )[0];
    let after = 0;
    for (; await killedAfter(url, after, (db) => seedDemo(db, NOW)); after++)
      expect(await counts()).toEqual({ users: 0, events: 0, lessons: 0, loaded: 0 });
    expect(after).toBeGreaterThan(60);
    expect(await counts()).toEqual({ users: 3, events: expect.any(Number), lessons: 8, loaded: 1 });
    await pool.end();
  }, 600_000);

  it('can be made by two at once, ten times of ten', async () => {
    for (let time = 0; time < 10; time++) {
      const url = await emptyDatabase('two_starts');
      const loaded: boolean[] = [];
      const start = () =>
        prepareDatabase(url, MIGRATIONS, async (db) => void loaded.push(await seedDemo(db, NOW)));
      await Promise.all([start(), start()]);
      expect(loaded.sort()).toEqual([false, true]);
    }
  }, 600_000);
});

async function prepared(name: string): Promise<string> {
  const url = await emptyDatabase(name);
  await prepareDatabase(url, MIGRATIONS);
  return url;
}

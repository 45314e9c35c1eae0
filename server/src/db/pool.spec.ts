import { emptyDatabase } from '../testing/test-database';
import { createConnection } from 'mysql2/promise';
import { bePatient, patienceLeftMs, withoutPatience, withPatience } from './patience';
import { connectionOptions } from './nodes';
import { openPool, type Pool, rows, write } from './pool';

describe('the pool', () => {
  let pool: Pool;
  let url: string;
  beforeAll(async () => {
    url = await emptyDatabase('pool');
    pool = openPool(url, 4);
    await write(pool, 'CREATE TABLE pairs (id INT PRIMARY KEY, n INT NOT NULL) ENGINE = InnoDB');
    await write(pool, 'INSERT INTO pairs VALUES (1, 0), (2, 0)');
  });
  afterAll(() => pool.end());

  it('runs a transaction again that lost a deadlock', async () => {
    let runs = 0;
    const both = (first: number, second: number) =>
      pool.transaction(async (db) => {
        runs += 1;
        await write(db, 'UPDATE pairs SET n = n + 1 WHERE id = ?', [first]);
        await new Promise((done) => setTimeout(done, 60));
        await write(db, 'UPDATE pairs SET n = n + 1 WHERE id = ?', [second]);
      });
    await Promise.all([both(1, 2), both(2, 1)]);
    expect(runs).toBeGreaterThan(2);
    expect(await rows(pool, 'SELECT n FROM pairs')).toEqual([{ n: 2 }, { n: 2 }]);
  });

  it('gives up on a locked table within the patience of the request, and leaves nothing waiting', async () => {
    const other = await createConnection(connectionOptions(url));
    await other.query('LOCK TABLES pairs WRITE');
    const from = Date.now();
    const asked = Array.from({ length: 12 }, () =>
      withPatience(() => rows(pool, 'SELECT n FROM pairs'), 2600).then(
        () => 'answered',
        (error: { code: string }) => error.code,
      ),
    );
    const codes = await Promise.all(asked);
    expect(Date.now() - from).toBeLessThan(5000);
    expect(codes).not.toContain('answered');
    for (const code of codes)
      expect(['ER_LOCK_WAIT_TIMEOUT', 'PROTOCOL_SEQUENCE_TIMEOUT', 'WAITED_TOO_LONG']).toContain(code);
    expect(pool.queued).toBe(0);
    expect(pool.trouble()).not.toBeNull();
    await other.query('UNLOCK TABLES');
    await other.end();
    expect(await rows(pool, 'SELECT n FROM pairs')).toHaveLength(2);
    expect(pool.trouble()).toBeNull();
  });

  it('is in trouble until it takes writes again, when it was a write that failed', async () => {
    const other = await createConnection(connectionOptions(url));
    await other.query('LOCK TABLES pairs READ');
    await expect(withPatience(() => write(pool, 'UPDATE pairs SET n = n'), 1000)).rejects.toThrow();
    await other.query('UNLOCK TABLES');
    // Not by what fails to be read meanwhile, either.
    await other.query('LOCK TABLES pairs WRITE');
    await expect(withPatience(() => rows(pool, 'SELECT n FROM pairs'), 1000)).rejects.toThrow();
    await other.query('UNLOCK TABLES');
    await other.end();
    expect(await rows(pool, 'SELECT n FROM pairs')).toHaveLength(2);
    expect(pool.trouble()).not.toBeNull();
    await write(pool, 'UPDATE pairs SET n = n');
    expect(pool.trouble()).toBeNull();
  });

  it('leaves no lock behind when a transaction fails after its patience', async () => {
    const fails = withPatience(
      () =>
        pool.transaction(async (db) => {
          await write(db, 'UPDATE pairs SET n = n + 1 WHERE id = 1');
          bePatient(0);
          throw new Error('too late');
        }),
      2000,
    );
    await expect(fails).rejects.toThrow('too late');
    const other = await createConnection(connectionOptions(url));
    await other.query('SET SESSION innodb_lock_wait_timeout = 1');
    await other.query('UPDATE pairs SET n = n + 5 WHERE id = 1');
    await other.end();
  });

  it('refuses at once when too many wait already', async () => {
    const small = openPool(url, 1);
    const asked = Array.from({ length: 260 }, () =>
      withPatience(() => rows(small, 'SELECT SLEEP(0.002)')).then(
        () => 'answered',
        (error: { code: string }) => error.code,
      ),
    );
    const codes = await Promise.all(asked);
    expect(codes.filter((code) => code === 'TOO_MANY_WAITING').length).toBeGreaterThanOrEqual(50);
    expect(codes.filter((code) => code === 'answered').length).toBeGreaterThanOrEqual(200);
    await small.end();
  });

  it('takes only the time spent on the database off the patience', async () => {
    await withPatience(async () => {
      await new Promise((done) => setTimeout(done, 120));
      expect(patienceLeftMs()).toBe(900);
      await rows(pool, 'SELECT SLEEP(0.1)');
      expect(patienceLeftMs()).toBeLessThan(850);
      bePatient(5000);
      expect(patienceLeftMs()).toBe(5000);
      // What goes on after the request has time of its own.
      expect(withoutPatience(patienceLeftMs)).toBe(15_000);
    }, 900);
  });
});

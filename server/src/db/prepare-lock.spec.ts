import { createConnection } from 'mysql2/promise';
import { emptyDatabase } from '../testing/test-database';
import { connectionOptions } from './nodes';
import { type Db, openPool, type Pool, rows, write } from './pool';
import { PrepareLock } from './prepare-lock';

describe('the right to prepare the database', () => {
  let url: string;
  let pool: Pool;
  const open: (() => void)[] = [];
  beforeAll(async () => {
    url = await emptyDatabase('prepare_lock');
    pool = openPool(url, 2);
  });
  afterAll(async () => {
    for (const end of open) end();
    await pool.end();
  });

  /** One who would prepare, on a connection of his own that can be cut. */
  async function someone(): Promise<{ lock: PrepareLock; cut: () => void }> {
    const connection = await createConnection(connectionOptions(url));
    const cut = (): void => connection.destroy();
    open.push(cut);
    const db: Db = { query: async (sql, values) => (await connection.query(sql, [...values]))[0] };
    return { lock: new PrepareLock(db, pool), cut };
  }
  const TOO_LONG = 'Another process has been preparing the database for too long.';

  it('is had by one at a time, and by the next when it is given back', async () => {
    const [one, other] = [await someone(), await someone()];
    await one.lock.take();
    await expect(other.lock.take(150)).rejects.toThrow(TOO_LONG);
    await one.lock.giveBack();
    await other.lock.take(2000);
    await other.lock.giveBack();
  });

  it('goes on at once when its holder died on the same node', async () => {
    const [one, other] = [await someone(), await someone()];
    await one.lock.take();
    one.cut();
    await other.lock.take(2000);
    await one.lock.giveBack();
    // He who was thought dead gives back nothing of another one.
    await other.lock.assertHeld();
    await other.lock.giveBack();
  });

  it('goes on after half a minute without a word when its holder was on another node, who then stops', async () => {
    const [one, other] = [await someone(), await someone()];
    await one.lock.take();
    const said = (seconds: number) =>
      write(
        pool,
        "UPDATE preparing SET node = 'elsewhere', connection_id = 0, seen_at = UTC_TIMESTAMP(3) - INTERVAL ? SECOND",
        [seconds],
      );
    await said(20);
    await expect(other.lock.take(150)).rejects.toThrow(TOO_LONG);
    await said(31);
    await other.lock.take(150);
    await expect(one.lock.assertHeld()).rejects.toThrow('Another process prepares the database now.');
    await other.lock.giveBack();
    await one.lock.giveBack();
    expect(await rows(pool, 'SELECT holder FROM preparing')).toEqual([{ holder: '' }]);
  });
});

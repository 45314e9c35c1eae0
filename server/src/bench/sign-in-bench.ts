import { createServer } from 'node:http';
import { randomBytes } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { openPool, write } from '../db/pool';
import { prepareDatabase } from '../db/prepare';
import { createApp } from '../http/app';
import { seedDemo } from '../seed/seed-demo';
import { readSettings } from '../settings';
import { emptyDatabase, MIGRATIONS, ROOT } from '../testing/test-database';
import { median } from './median';

const TRIES = 200;
/** An address that has an account, and one that has none. */
const KNOWN = 'fellow@ternalder.example';
const UNKNOWN = 'nobody@ternalder.example';

/** Calls that a stranger makes with an address. */
const CALLS: [string, string, (email: string) => object][] = [
  ['a wrong password', '/api/session', (email) => ({ email, password: 'not the one' })],
  ['a lost password', '/api/session/lost', (email) => ({ email })],
  [
    'a new account',
    '/api/session/register',
    (email) => ({ email, password: randomBytes(9).toString('hex'), name: 'Kim' }),
  ],
];

/**
 * How long answers take for an address that is known and for one that is not: median of 200 tries each, taken in turns,
 * with counts and pauses that slow down guessing out of the way.
 */
export async function benchSignIn(): Promise<void> {
  const url = await emptyDatabase('bench_sign_in');
  await prepareDatabase(url, MIGRATIONS, async (db) => {
    await seedDemo(db, new Date());
  });
  const pool = openPool(url);
  const settings = readSettings({
    DOCEO_DB_URL: url,
    DOCEO_SESSION_SECRET: 'only for the bench, long enough',
    // A mail server that is away: letters wait, as they do after every request.
    DOCEO_MAIL: 'smtp://127.0.0.1:1',
    DOCEO_URL: 'http://127.0.0.1',
    DOCEO_ROOT: ROOT,
  });
  const { app, close } = createApp(pool, settings, pino({ level: 'silent' }), {
    pause: () => Promise.resolve(),
  });
  const server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  console.log(`\nanswers for a known and an unknown address, median of ${TRIES} each`);
  for (const [what, path, bodyOf] of CALLS) {
    const took: Record<string, number[]> = { [KNOWN]: [], [UNKNOWN]: [] };
    for (let i = 0; i < TRIES * 2; i++) {
      // Which of the two comes first changes: neither always follows a cold cache.
      const email = (i + Math.floor(i / 2)) % 2 === 0 ? KNOWN : UNKNOWN;
      await write(pool, 'DELETE FROM limits');
      const start = performance.now();
      await (
        await fetch(`${origin}${path}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(bodyOf(email)),
        })
      ).text();
      (took[email] as number[]).push(performance.now() - start);
    }
    const [known, unknown] = [median(took[KNOWN] as number[]), median(took[UNKNOWN] as number[])];
    const apart = Math.abs(known / unknown - 1);
    console.log(
      `  ${what}: ${known.toFixed(1)} ms known, ${unknown.toFixed(1)} ms unknown, ${(100 * apart).toFixed(1)} % apart (${(apart / 0.1).toFixed(2)} of the aim)`,
    );
  }
  await new Promise((done) => server.close(done));
  await close();
  await pool.end();
}

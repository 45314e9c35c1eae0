import type { RequestHandler } from 'express';
import mysqlSession from 'express-mysql-session';
import session from 'express-session';
import { type Db, type Pool, write } from '../db/pool';
import type { Settings } from '../settings';

const CLEAR_EVERY_MS = 600_000;
const FOURTEEN_DAYS_MS = 14 * 24 * 3_600_000;

/** Sessions in the database, so that any server process knows them. `close` stops the clearing of expired ones. */
export function sessions(
  pool: Pool,
  settings: Pick<Settings, 'DOCEO_SESSION_SECRET' | 'DOCEO_SECURE_COOKIES'>,
): { handler: RequestHandler; close: () => void } {
  const Store = mysqlSession(session);
  const store = new Store(
    {
      createDatabaseTable: false,
      clearExpired: false,
      expiration: FOURTEEN_DAYS_MS,
      endConnectionOnClose: false,
    },
    pool,
  );
  const handler = session({
    name: 'doceo',
    secret: settings.DOCEO_SESSION_SECRET,
    store,
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: {
      httpOnly: true,
      sameSite: 'lax',
      secure: settings.DOCEO_SECURE_COOKIES,
      maxAge: FOURTEEN_DAYS_MS,
    },
  });
  const clearing = setInterval(() => void clearExpired(pool).catch(() => undefined), CLEAR_EVERY_MS);
  clearing.unref();
  return { handler, close: () => clearInterval(clearing) };
}

/** Uses sessions_expires. A database that is away is asked again the next time. */
async function clearExpired(db: Db): Promise<void> {
  await write(db, 'DELETE FROM sessions WHERE expires < UNIX_TIMESTAMP()');
}

import type { Request, RequestHandler } from 'express';
import session, { type SessionData, Store } from 'express-session';
import { type Db, type Pool, write } from '../db/pool';
import { clearAssistants } from '../assistants/assistants.sql';
import { findSession, type UserRow } from '../session/users.sql';
import type { Settings } from '../settings';

const CLEAR_EVERY_MS = 600_000;
/** A session that is not used for so long ends, seconds. */
export const IDLE_S = 14 * 24 * 3600;
/** However often it is used, it ends so long after the sign-in, seconds. */
export const LONGEST_S = 90 * 24 * 3600;
/** A session that is used is noted so often at most, seconds. */
const NOTE_EVERY_S = 3600;

/** Whose a session is, for as long as the request that found it goes on; nothing of it is kept with the session. */
const owners = new WeakMap<object, UserRow | null>();

/** Sessions in the database, so that any server process knows them; each belongs to a user and goes with him. */
class DatabaseStore extends Store {
  constructor(private readonly db: Db) {
    super();
  }

  override get(id: string, done: (error: unknown, session?: SessionData | null) => void): void {
    this.find(id).then(
      (found) => done(null, found),
      (error: unknown) => done(error),
    );
  }

  override set(id: string, data: SessionData, done: (error?: unknown) => void = () => undefined): void {
    write(
      this.db,
      `INSERT INTO sessions (session_id, user_id, expires, ends, data)
         VALUES (?, ?, UNIX_TIMESTAMP() + ?, UNIX_TIMESTAMP() + ?, ?)
         ON DUPLICATE KEY UPDATE user_id = VALUES(user_id), data = VALUES(data)`,
      [id, data.userId ?? null, IDLE_S, LONGEST_S, JSON.stringify(data)],
    ).then(() => done(), done);
  }

  override destroy(id: string, done: (error?: unknown) => void = () => undefined): void {
    write(this.db, 'DELETE FROM sessions WHERE session_id = ?', [id]).then(() => done(), done);
  }

  /** Reading a session notes its use; nothing is written for it at the end of a request. */
  override touch(_id: string, _data: SessionData, done: () => void = () => undefined): void {
    done();
  }

  override createSession(
    ...[request, data]: Parameters<Store['createSession']>
  ): ReturnType<Store['createSession']> {
    const made = super.createSession(request, data);
    owners.set(made, owners.get(data) ?? null);
    return made;
  }

  /** One that is over is none; one that is used is prolonged, once an hour and never beyond its end. */
  private async find(id: string): Promise<SessionData | null> {
    const found = await findSession(this.db, id);
    if (!found || found.now >= found.expires || found.now >= found.ends) return null;
    if (found.expires - found.now < IDLE_S - NOTE_EVERY_S)
      await write(this.db, 'UPDATE sessions SET expires = UNIX_TIMESTAMP() + ? WHERE session_id = ?', [
        IDLE_S,
        id,
      ]);
    const data = JSON.parse(found.data) as SessionData;
    owners.set(data, found.user);
    return data;
  }
}

/**
 * Who asks: whose session the request came with. Null for strangers, for a closed account, and on a page that was
 * opened by somebody else than who has the session now: nothing of one is done for the other.
 */
export function userOf(request: Request): UserRow | null {
  const user = (request.session && owners.get(request.session)) ?? null;
  const claimed = request.get('doceo-user');
  return !user || user.blocked || (claimed && claimed !== user.id) ? null : user;
}

/** The name of the cookie: with HTTPS one that no other host or path can set. */
export function sessionCookie(secure: boolean): string {
  return secure ? '__Host-doceo' : 'doceo';
}

/** Sessions of signed-in users. `close` stops the clearing of what has expired. */
export function sessions(
  pool: Pool,
  settings: Pick<Settings, 'DOCEO_SESSION_SECRET' | 'DOCEO_SECURE_COOKIES'>,
): { handler: RequestHandler; close: () => void } {
  const handler = session({
    name: sessionCookie(settings.DOCEO_SECURE_COOKIES),
    secret: settings.DOCEO_SESSION_SECRET,
    store: new DatabaseStore(pool),
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: {
      path: '/',
      httpOnly: true,
      sameSite: 'lax',
      secure: settings.DOCEO_SECURE_COOKIES,
      maxAge: LONGEST_S * 1000,
    },
  });
  const clearing = setInterval(() => void clearExpired(pool).catch(() => undefined), CLEAR_EVERY_MS);
  clearing.unref();
  return { handler, close: () => clearInterval(clearing) };
}

/** Ends all sessions of a user but one; uses sessions_user. */
export async function endSessions(db: Db, userId: string, butId = ''): Promise<void> {
  await write(db, 'DELETE FROM sessions WHERE user_id = ? AND session_id <> ?', [userId, butId]);
}

/** A link that opens nothing any more says why for so long; then it is as if there never was one. Days. */
const DEAD_LINKS_DAYS = 30;

/** Uses sessions_expires and limits_expires. A database that is away is asked again the next time. */
export async function clearExpired(db: Db): Promise<void> {
  await write(db, 'DELETE FROM sessions WHERE expires < UNIX_TIMESTAMP() OR ends < UNIX_TIMESTAMP()');
  await write(db, 'DELETE FROM limits WHERE expires_ms < ?', [Date.now()]);
  await clearAssistants(db);
  for (const table of ['password_links', 'circle_links'])
    await write(db, `DELETE FROM ${table} WHERE until_at < UTC_TIMESTAMP(3) - INTERVAL ? DAY`, [
      DEAD_LINKS_DAYS,
    ]);
}

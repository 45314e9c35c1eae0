import type { SignInPlace } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';
import { IDLE_S, LONGEST_S } from '../http/sessions';

/** What a session is called by outside: from it nobody finds the session. */
const PUBLIC_ID = 'LEFT(SHA2(session_id, 256), 32)';

/** Where somebody is signed in, last used first; uses sessions_user. */
export async function findSignIns(db: Db, userId: string, hereId: string): Promise<SignInPlace[]> {
  const found = await rows<{
    id: string;
    browser: string | null;
    since: number;
    used: number;
    here: number;
  }>(
    db,
    `SELECT ${PUBLIC_ID} AS id, JSON_VALUE(data, '$.browser') AS browser, CAST(ends AS SIGNED) - ? AS since,
       CAST(expires AS SIGNED) - ? AS used, session_id = ? AS here
     FROM sessions WHERE user_id = ? AND expires > UNIX_TIMESTAMP() AND ends > UNIX_TIMESTAMP()
     ORDER BY here DESC, expires DESC, session_id`,
    [LONGEST_S, IDLE_S, hereId, userId],
  );
  return found.map(({ id, browser, since, used, here }) => ({
    id,
    browser: browser ?? 'a browser',
    since: new Date(Number(since) * 1000).toISOString(),
    usedAt: new Date(Number(used) * 1000).toISOString(),
    here: Boolean(here),
  }));
}

/** Ends one sign-in of somebody, by its public id; false when there is none such. */
export async function endSignIn(db: Db, userId: string, id: string): Promise<boolean> {
  return (await write(db, `DELETE FROM sessions WHERE user_id = ? AND ${PUBLIC_ID} = ?`, [userId, id])) > 0;
}

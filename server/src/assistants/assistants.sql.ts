import { ASSIST_LATE_HOURS, type Assistants } from '@doceo/contract';
import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';
import { letSeeByLessons } from '../lessons/seen-by-lesson.sql';
import { ASSIST_UNTIL } from './assist-until';

/** Who helps in a lesson, and whether its code is open; by primary keys and users_assists. */
export async function findAssistants(db: Db, lessonId: string): Promise<Assistants | null> {
  const [lesson] = await rows<{ until_at: Date; is_open: number }>(
    db,
    `SELECT ${ASSIST_UNTIL} AS until_at, k.lesson_id IS NOT NULL AS is_open
     FROM lessons l LEFT JOIN assistant_links k ON k.lesson_id = l.id WHERE l.id = ?`,
    [lessonId],
  );
  if (!lesson) return null;
  const people = await rows<{ id: string; name: string; created_at: Date; ended: number; entries: number }>(
    db,
    `SELECT u.id, u.name, u.created_at, u.assists_ended_at IS NOT NULL AS ended,
       (SELECT COUNT(*) FROM events e WHERE e.lesson_id = u.assists_lesson_id AND e.recorded_by = u.id) AS entries
     FROM users u WHERE u.assists_lesson_id = ? ORDER BY u.created_at, u.id`,
    [lessonId],
  );
  return {
    open: Boolean(lesson.is_open) && lesson.until_at.getTime() > Date.now(),
    until: lesson.until_at.toISOString(),
    people: people.map(({ id, name, created_at, ended, entries }) => ({
      ...{ userId: id, name, since: created_at.toISOString() },
      ...{ ended: Boolean(ended), entries: Number(entries) },
    })),
  };
}

/** A new code for a lesson; the one before opens nothing any more. */
export async function setAssistantLink(db: Db, lessonId: string, token: string): Promise<void> {
  await write(
    db,
    `INSERT INTO assistant_links (lesson_id, token_hash) VALUES (?, ?)
     ON DUPLICATE KEY UPDATE token_hash = VALUES(token_hash), made_at = UTC_TIMESTAMP(3)`,
    [lessonId, tokenHash(token)],
  );
}

/** False when none was open. */
export async function closeAssistantLink(db: Db, lessonId: string): Promise<boolean> {
  return (await write(db, 'DELETE FROM assistant_links WHERE lesson_id = ?', [lessonId])) > 0;
}

export interface AssistOffer {
  lessonId: string;
  instructor: string;
  title: string;
  water: string;
  startsAt: Date;
  timeZone: string;
  until: Date;
}

/** What a code leads to; null for a code of no lesson. Uses assistant_links_token. */
export async function findAssistOffer(db: Db, token: string): Promise<AssistOffer | null> {
  const [row] = await rows<{
    id: string;
    instructor: string;
    plan_title: string | null;
    water: string;
    starts_at: Date;
    time_zone: string;
    until_at: Date;
  }>(
    db,
    `SELECT l.id, u.name AS instructor, l.plan_title, w.name AS water, l.starts_at,
       JSON_VALUE(w.body, '$.timeZone') AS time_zone, ${ASSIST_UNTIL} AS until_at
     FROM assistant_links k JOIN lessons l ON l.id = k.lesson_id JOIN users u ON u.id = l.owner_id
       JOIN waters w ON w.id = l.water_id WHERE k.token_hash = ?`,
    [tokenHash(token)],
  );
  return row
    ? {
        ...{ lessonId: row.id, instructor: row.instructor, title: row.plan_title ?? '', water: row.water },
        ...{ startsAt: row.starts_at, timeZone: row.time_zone, until: row.until_at },
      }
    : null;
}

/** How many help in a lesson; uses users_assists. */
export async function countAssistants(db: Db, lessonId: string): Promise<number> {
  const [row] = await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM users WHERE assists_lesson_id = ?', [
    lessonId,
  ]);
  return Number(row?.n ?? 0);
}

/** Somebody who helps: no letter reaches him, and no password opens it. */
export async function insertAssistant(db: Db, id: string, name: string, lessonId: string): Promise<void> {
  await write(
    db,
    `INSERT INTO users (id, email, name, password_hash, assists_lesson_id)
     VALUES (?, CONCAT(?, '@assistant.invalid'), ?, '', ?)`,
    [id, id, name, lessonId],
  );
  await letSeeByLessons(db, [id]);
}

/** False when nobody of this id helps there. What he logged without a connection is still taken for a day. */
export async function endAssistant(db: Db, lessonId: string, userId: string): Promise<boolean> {
  return (
    (await write(
      db,
      `UPDATE users SET assists_ended_at = UTC_TIMESTAMP(3)
       WHERE id = ? AND assists_lesson_id = ? AND assists_ended_at IS NULL`,
      [userId, lessonId],
    )) > 0
  );
}

/** Those whose lesson is long over go; what they logged stays with the lesson. Uses users_assists. */
export async function clearAssistants(db: Db): Promise<void> {
  await write(
    db,
    `DELETE u FROM users u JOIN lessons l ON l.id = u.assists_lesson_id
     WHERE ${ASSIST_UNTIL} + INTERVAL ? HOUR < UTC_TIMESTAMP(3)`,
    [ASSIST_LATE_HOURS],
  );
}

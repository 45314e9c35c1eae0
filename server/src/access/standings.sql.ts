import { ASSIST_UNTIL } from '../assistants/assist-until';
import { type Db, rows } from '../db/pool';
import { HttpError } from '../http/errors';
import { TEACHES } from '../lessons/taught-lessons.sql';
import { OPEN_ACCESS } from '../students/access.sql';
import type { Kind, Standing } from './rights';
import { tokenHash } from './token';

/** The role in the circle of `alias` as a standing, null outside of it; needs a left join of `circle_members m`. */
const BY_CIRCLE = "CONCAT('circle-', m.role)";

/** For each kind of thing, what its row says of a user; each by primary keys and the keys of circle_members. */
const QUERIES: Record<Exclude<Kind, Exclude<HeldKind, 'link'>>, string> = {
  water: `SELECT w.owner_id = ? AS keeper, ${BY_CIRCLE} AS circle,
      EXISTS (SELECT 1 FROM lessons l JOIN users t ON t.id = ? WHERE l.water_id = w.id AND ${TEACHES}) AS guest
    FROM waters w LEFT JOIN circle_members m ON m.circle_id = w.circle_id AND m.user_id = ? WHERE w.id = ?`,
  plan: `SELECT p.owner_id = ? AS keeper, ${BY_CIRCLE} AS circle, 0 AND ? AS guest
    FROM plans p LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = ? WHERE p.id = ?`,
  proposal: `SELECT p.owner_id = ? AS keeper, q.author_id = ? AS author, 0 AND ? AS guest
    FROM plan_proposals q JOIN plans p ON p.id = q.plan_id WHERE q.id = ?`,
  comment: `SELECT p.owner_id = ? AS keeper, q.author_id = ? AS author, ${BY_CIRCLE} AS circle
    FROM plan_comments q JOIN plans p ON p.id = q.plan_id
      LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = ? WHERE q.id = ?`,
  link: `SELECT p.owner_id = ? AS keeper, 0 AND ? AND ? AS guest
    FROM plan_links k JOIN plans p ON p.id = k.plan_id WHERE k.id = ?`,
  student: `SELECT s.owner_id = ? AS keeper, a.user_id IS NOT NULL AS fellow, 0 AND ? AS guest
    FROM students s LEFT JOIN student_access a
      ON a.student_id = s.id AND a.user_id = ? AND ${OPEN_ACCESS} WHERE s.id = ?`,
  lesson: `SELECT l.owner_id = ? AS keeper,
      EXISTS (SELECT 1 FROM lesson_instructors i WHERE i.lesson_id = l.id AND i.user_id = ?) AS fellow,
      COALESCE(l.id = (SELECT assists_lesson_id FROM users WHERE id = ?), 0) AS assistant
    FROM lessons l WHERE l.id = ? AND l.taken_title IS NULL`,
  course: 'SELECT owner_id = ? AS keeper, 0 AND ? AND ? AS guest FROM courses WHERE id = ?',
  rig: 'SELECT owner_id = ? AS keeper, 0 AND ? AND ? AS guest FROM rigs WHERE id = ?',
  reading: 'SELECT owner_id = ? AS keeper, 0 AND ? AND ? AS guest FROM readings WHERE id = ?',
  circle: `SELECT 0 AND ? AND ? AS keeper, ${BY_CIRCLE} AS circle
    FROM circles c JOIN circle_members m ON m.circle_id = c.id AND m.user_id = ? WHERE c.id = ?`,
};

interface StandingRow {
  keeper: number;
  circle?: Standing | null;
  fellow?: number;
  assistant?: number;
  author?: number;
  guest?: number;
}

/** How a user stands to a thing; none when there is no such thing, or he has nothing to do with it. */
export async function findStandings(db: Db, kind: Kind, id: string, userId: string): Promise<Standing[]> {
  // Nobody has anything to do with it by his account.
  if (kind === 'consent' || kind === 'page' || kind === 'assistance') return [];
  const [row] = await rows<StandingRow>(db, QUERIES[kind], [userId, userId, userId, id]);
  if (!row) return [];
  return [
    ...(row.keeper ? (['keeper'] as const) : []),
    ...(row.circle ? [row.circle] : []),
    ...(row.assistant ? (['assistant'] as const) : []),
    ...(row.fellow ? (['fellow'] as const) : []),
    ...(row.author ? (['author'] as const) : []),
    ...(row.guest ? (['guest'] as const) : []),
  ];
}

/** What is opened by a token, and not by an account. */
export type HeldKind = 'link' | 'consent' | 'page' | 'assistance';

/** What is brought: the token, and the key of the device where it made one. */
export interface Holding {
  token: string;
  key: string | null;
}

interface HeldRow {
  closed: number;
  is_over: number;
  /** Whether the key is that of the device which answered, by a name that is known. */
  guardian: number;
}

const HELD: Record<HeldKind, string> = {
  link: `SELECT revoked_at IS NOT NULL AS closed, until_at <= UTC_TIMESTAMP(3) AS is_over, 0 AND ? AS guardian
    FROM plan_links WHERE token_hash = ?`,
  page: `SELECT closed_at IS NOT NULL AS closed, until_at <= UTC_TIMESTAMP(3) AS is_over, 0 AND ? AS guardian
    FROM student_links WHERE token_hash = ?`,
  assistance: `SELECT 0 AS closed, ${ASSIST_UNTIL} <= UTC_TIMESTAMP(3) AS is_over, 0 AND ? AS guardian
    FROM assistant_links k JOIN lessons l ON l.id = k.lesson_id WHERE k.token_hash = ?`,
  consent: `SELECT 0 AS closed, answered_at IS NULL AND until_at <= UTC_TIMESTAMP(3) AS is_over,
      COALESCE(known AND key_hash = ?, 0) AS guardian
    FROM consents WHERE token_hash = ?`,
};

/**
 * How whoever brings a token stands to its link; not at all for a token of no link. Uses plan_links_token,
 * student_links_token, assistant_links_token and consents_token.
 *
 * @throws HttpError 'not-found' with why, for one that has run out or was closed: its holder once had what it opened
 */
export async function findHolding(db: Db, kind: HeldKind, { token, key }: Holding): Promise<Standing[]> {
  const [row] = await rows<HeldRow>(db, HELD[kind], [key === null ? '' : tokenHash(key), tokenHash(token)]);
  if (row?.closed) throw new HttpError('not-found', [], 'This link was closed by whoever made it.');
  if (row?.is_over) throw new HttpError('not-found', [], 'This link has run out. Ask for a new one.');
  if (!row) return [];
  return row.guardian ? ['holder', 'guardian'] : ['holder'];
}

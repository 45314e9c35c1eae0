import type { AccountEffect } from '@doceo/contract';
import { noteDeleted } from '../backup/deletions.sql';
import { type Db, rows, write } from '../db/pool';
import { findHashesOf, sweepContents } from '../sharing/versions.sql';

interface Shared {
  what: 'plan' | 'water';
  id: string;
  name: string;
  keeper_id: string;
  keeper: string;
}

/** Circles of a user: how many are in each, and how many other owners it has; uses circle_members_user. */
async function findCircleStates(
  db: Db,
  userId: string,
): Promise<{ id: string; name: string; members: number; otherOwners: number }[]> {
  return rows(
    db,
    `SELECT c.id, c.name, COUNT(*) AS members, COALESCE(SUM(m.role = 'owner' AND m.user_id <> ?), 0) AS otherOwners
     FROM circle_members mine JOIN circles c ON c.id = mine.circle_id JOIN circle_members m ON m.circle_id = c.id
     WHERE mine.user_id = ? GROUP BY c.id, c.name ORDER BY c.name`,
    [userId, userId],
  );
}

/**
 * What of a user's others go on with, and who has it then: plans and waters shared with a circle go to another owner of
 * the circle, a water at which others have lessons to one of those. Uses plans_owner and waters_owner.
 */
async function findShared(db: Db, userId: string): Promise<Shared[]> {
  const ofCircle = `(SELECT m.user_id FROM circle_members m WHERE m.circle_id = t.circle_id AND m.role = 'owner'
    AND m.user_id <> ? ORDER BY m.user_id LIMIT 1)`;
  return rows<Shared>(
    db,
    `SELECT s.what, s.id, s.name, s.keeper_id, u.name AS keeper FROM (
       SELECT 'plan' AS what, t.id, t.title AS name, ${ofCircle} AS keeper_id FROM plans t WHERE t.owner_id = ?
       UNION ALL
       SELECT 'water', t.id, t.name, COALESCE(${ofCircle},
         (SELECT l.owner_id FROM lessons l WHERE l.water_id = t.id AND l.owner_id <> ? ORDER BY l.owner_id LIMIT 1))
       FROM waters t WHERE t.owner_id = ?
     ) s JOIN users u ON u.id = s.keeper_id ORDER BY s.what, s.name, s.id`,
    [userId, userId, userId, userId, userId],
  );
}

/** Told before an account is deleted. */
export async function findAccountEffect(db: Db, userId: string): Promise<AccountEffect> {
  const [counts] = await rows<
    Record<'students' | 'lessons' | 'events' | 'plans' | 'rigs' | 'waters', number>
  >(
    db,
    `SELECT (SELECT COUNT(*) FROM students WHERE owner_id = ?) AS students,
       (SELECT COUNT(*) FROM lessons WHERE owner_id = ?) AS lessons,
       (SELECT COUNT(*) FROM events e JOIN students s ON s.id = e.student_id WHERE s.owner_id = ?) AS events,
       (SELECT COUNT(*) FROM plans WHERE owner_id = ?) AS plans,
       (SELECT COUNT(*) FROM rigs WHERE owner_id = ?) AS rigs,
       (SELECT COUNT(*) FROM waters WHERE owner_id = ?) AS waters`,
    Array(6).fill(userId),
  );
  const [kept] = await rows<{ n: number }>(
    db,
    `SELECT COUNT(*) AS n FROM lessons l JOIN events e ON e.lesson_id = l.id JOIN students s ON s.id = e.student_id
     WHERE l.owner_id = ? AND s.owner_id <> ?`,
    [userId, userId],
  );
  const circles = await findCircleStates(db, userId);
  const shared = await findShared(db, userId);
  const count = (what: Shared['what']): number => shared.filter((one) => one.what === what).length;
  return {
    students: Number(counts?.students ?? 0),
    lessons: Number(counts?.lessons ?? 0),
    events: Number(counts?.events ?? 0),
    plans: Number(counts?.plans ?? 0) - count('plan'),
    rigs: Number(counts?.rigs ?? 0),
    waters: Number(counts?.waters ?? 0) - count('water'),
    circlesEnding: circles.filter(({ members }) => Number(members) === 1).map(({ name }) => name),
    circlesWithoutOwner: circles
      .filter(({ members, otherOwners }) => Number(members) > 1 && Number(otherOwners) === 0)
      .map(({ name }) => name),
    kept: shared.map(({ what, name, keeper }) => ({ what, name, keeper })),
    eventsKept: Number(kept?.n ?? 0),
  };
}

/** What hangs on an address rather than on an account. */
const NAMED_BY_ADDRESS = [
  ['circle_invitations', 'email'],
  ['asked_accounts', 'email'],
  ['mails', 'address'],
  ['stand_in_mails', 'address'],
] as const;

/**
 * Deletes an account with all that is its own. What others go on with is theirs before; entries about students of
 * fellows stay in their records, under a lesson that says where and when. Call it in a transaction.
 */
export async function deleteAccount(db: Db, userId: string): Promise<void> {
  const own = await rows<{ id: string }>(db, 'SELECT id FROM plans WHERE owner_id = ?', [userId]);
  const hashes = await findHashesOf(
    db,
    own.map(({ id }) => id),
  );
  await forgetName(db, userId);
  // What others never saw of a plan is not for whoever keeps it.
  await write(
    db,
    'DELETE v FROM plan_versions v JOIN plans p ON p.id = v.plan_id WHERE p.owner_id = ? AND v.is_open = 0',
    [userId],
  );
  for (const { what, id, keeper_id } of await findShared(db, userId))
    await write(db, `UPDATE ${what === 'plan' ? 'plans' : 'waters'} SET owner_id = ? WHERE id = ?`, [
      keeper_id,
      id,
    ]);
  await write(
    db,
    'DELETE i FROM lesson_instructors i JOIN lessons l ON l.id = i.lesson_id WHERE l.owner_id = ?',
    [userId],
  );
  await write(
    db,
    `UPDATE lessons l LEFT JOIN waters w ON w.id = l.water_id
       JOIN (SELECT e.lesson_id, MIN(s.owner_id) AS keeper_id FROM events e JOIN students s ON s.id = e.student_id
             JOIN lessons o ON o.id = e.lesson_id WHERE o.owner_id = ? AND s.owner_id <> ? GROUP BY e.lesson_id) k
         ON k.lesson_id = l.id
     SET l.taken_title = COALESCE(l.taken_title, l.plan_title, '-'), l.taken_water = COALESCE(l.taken_water, w.name, '-'),
       l.plan_id = NULL, l.water_id = NULL, l.owner_id = k.keeper_id`,
    [userId, userId],
  );
  for (const { id, members } of await findCircleStates(db, userId))
    if (Number(members) === 1) await write(db, 'DELETE FROM circles WHERE id = ?', [id]);
  for (const [table, column] of NAMED_BY_ADDRESS)
    await write(db, `DELETE FROM ${table} WHERE ${column} = (SELECT email FROM users WHERE id = ?)`, [
      userId,
    ]);
  await write(db, 'DELETE FROM users WHERE id = ?', [userId]);
  await noteDeleted(db, 'account', userId);
  await sweepContents(db, hashes);
}

/** What stands where the name of somebody stood whose account is gone. */
const GONE = 'somebody who left';

/** Documents that say who did something: read a rule card, measured, made a state of a plan that came as a file. */
const NAMED_IN = [
  ['plans', 'id', 'told_lineage'],
  ['waters', 'id', 'body'],
  ['beats', 'id', 'body'],
  ['lakes', 'water_id', 'body'],
] as const;

/** Takes a name out of what others keep: who made a version, whose plan a copy comes from, who read a rule card. */
async function forgetName(db: Db, userId: string): Promise<void> {
  const [user] = await rows<{ name: string }>(db, 'SELECT name FROM users WHERE id = ?', [userId]);
  if (!user) return;
  await write(db, 'UPDATE plan_versions SET author_name = ? WHERE author_id = ?', [GONE, userId]);
  await write(
    db,
    `UPDATE plans c LEFT JOIN plans o ON o.id = c.origin_plan_id SET c.origin_owner_name = ?
     WHERE c.origin_plan_id IS NOT NULL AND (o.owner_id = ? OR (o.id IS NULL AND c.origin_owner_name = ?))`,
    [GONE, userId, user.name],
  );
  for (const [table, key, column] of NAMED_IN)
    for (const { id, value } of await rows<{ id: string; value: string }>(
      db,
      `SELECT ${key} AS id, ${column} AS value FROM ${table} WHERE INSTR(${column}, ?) > 0`,
      [JSON.stringify(user.name)],
    ))
      await write(db, `UPDATE ${table} SET ${column} = ? WHERE ${key} = ?`, [
        JSON.stringify(withoutName(JSON.parse(value), user.name)),
        id,
      ]);
}

/** A value in which no text is the name. */
function withoutName(value: unknown, name: string): unknown {
  if (value === name) return GONE;
  if (Array.isArray(value)) return value.map((entry) => withoutName(entry, name));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, withoutName(entry, name)]));
}

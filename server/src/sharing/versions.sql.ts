import { inShape, type PlanVersion, shapeOf, VERSION_REASONS } from '@doceo/contract';
import { canonicalPlan, planHash, type PlanBody, type SharedPlan } from '@doceo/core';
import { randomUUID } from 'node:crypto';
import { type Db, rows, write } from '../db/pool';

export type VersionReason = (typeof VERSION_REASONS)[number];

interface VersionRow {
  seq: number;
  id: string;
  plan_id: string;
  hash: string;
  title: string;
  why: VersionReason;
  note: string;
  author_name: string;
  made_at: Date;
  parent_id: string | null;
  merged_id: string | null;
  taught: number;
}

/** How many are told at a time. */
const PAGE = 50;

/** What a version is told by; closed ones are for the owner of the plan alone. */
const SELECT = `SELECT v.seq, v.id, v.plan_id, v.hash, c.title, v.why, v.note, v.author_name, v.made_at, v.parent_id, v.merged_id,
    (SELECT COUNT(*) FROM lessons l WHERE l.taught_seq = v.seq) AS taught
  FROM plan_versions v JOIN plan_contents c ON c.hash = v.hash JOIN plans p ON p.id = v.plan_id
  WHERE (v.is_open = 1 OR p.owner_id = ?)`;

function toVersion(row: VersionRow): PlanVersion {
  return {
    id: row.id,
    planId: row.plan_id,
    hash: row.hash,
    title: row.title,
    why: row.why,
    note: row.note,
    authorName: row.author_name,
    at: row.made_at.toISOString(),
    parents: [row.parent_id, row.merged_id].filter((id) => id !== null),
    taught: Number(row.taught),
  };
}

/** Versions of a plan, newest first, and where to go on; uses plan_versions_plan. */
export async function findVersions(
  db: Db,
  userId: string,
  planId: string,
  before: string | undefined,
): Promise<{ items: PlanVersion[]; next: string | null }> {
  const found = await rows<VersionRow>(
    db,
    `${SELECT} AND v.plan_id = ? AND v.seq < COALESCE((SELECT seq FROM plan_versions WHERE id = ?), ~0)
     ORDER BY v.seq DESC LIMIT ?`,
    [userId, planId, before ?? null, PAGE + 1],
  );
  const items = found.slice(0, PAGE).map(toVersion);
  return { items, next: found.length > PAGE ? (items.at(-1)?.id ?? null) : null };
}

/** The newest open or own versions of some plans, oldest first; uses plan_versions_plan. */
export async function findVersionsOf(
  db: Db,
  userId: string,
  planIds: readonly string[],
): Promise<PlanVersion[]> {
  if (planIds.length === 0) return [];
  const found = await rows<VersionRow>(
    db,
    `SELECT * FROM (${SELECT} AND v.plan_id IN (?) ORDER BY v.seq DESC LIMIT ?) newest ORDER BY seq`,
    [userId, planIds, 4 * PAGE],
  );
  return found.map(toVersion);
}

/** Null where there is none, or it is not told to this user. */
export async function findVersion(
  db: Db,
  userId: string,
  planId: string,
  id: string,
): Promise<PlanVersion | null> {
  const [found] = await rows<VersionRow>(db, `${SELECT} AND v.plan_id = ? AND v.id = ?`, [
    userId,
    planId,
    id,
  ]);
  return found ? toVersion(found) : null;
}

/** The newest version of a plan that is in this state, for the lineage; null where there is none. */
export async function findVersionOfHash(db: Db, planId: string, hash: string): Promise<string | null> {
  const [found] = await rows<{ id: string }>(
    db,
    'SELECT id FROM plan_versions WHERE plan_id = ? AND hash = ? ORDER BY seq DESC LIMIT 1',
    [planId, hash],
  );
  return found?.id ?? null;
}

/** What a hash stands for; null where it is not kept. By primary key. */
export async function findContent(db: Db, hash: string | null): Promise<SharedPlan | null> {
  if (hash === null) return null;
  const [found] = await rows<{ title: string; body: string; shape: number }>(
    db,
    'SELECT title, body, shape FROM plan_contents WHERE hash = ?',
    [hash],
  );
  return found
    ? { title: found.title, body: inShape('plan', found.shape, JSON.parse(found.body)) as PlanBody }
    : null;
}

/** Keeps a state of a plan, once for all plans that are in it. */
export async function keepContent(db: Db, plan: SharedPlan): Promise<string> {
  const { title, body } = canonicalPlan(plan);
  const hash = planHash(plan);
  await write(
    db,
    'INSERT INTO plan_contents (hash, title, body, shape) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE hash = hash',
    [hash, title, JSON.stringify(body), shapeOf('plan')],
  );
  return hash;
}

/** What is needed to make a version. */
export interface NewVersion {
  plan: SharedPlan & { id: string; version: number };
  why: VersionReason;
  note?: string;
  author: { id: string; name: string };
  /** Whether whoever sees the plan is told of it: only what names no student. */
  isOpen: boolean;
  /** The version of another plan that was put into it, or that it was copied from. */
  mergedId?: string | null;
  /** Now, unless it was made before. */
  at?: Date;
}

export interface KeptVersion {
  seq: number;
  id: string;
  hash: string;
}

/** Reasons that tell holders of a copy that there is something new. */
export const TOLD_REASONS: readonly VersionReason[] = ['named', 'shared', 'merged'];
/** The same as SQL. */
export const TOLD = TOLD_REASONS.map((reason) => `'${reason}'`).join(', ');

/** Reasons for which a state that is the newest version already is none again. */
const SAME_AGAIN: readonly VersionReason[] = ['copied', 'taught', 'proposed', 'shared', 'kept', 'sent'];

/** Makes a version of a plan as it is now. Where it is the newest already, and nothing is said of it, that one stays. */
export async function keepVersion(db: Db, version: NewVersion): Promise<KeptVersion> {
  const { plan, why, author, isOpen } = version;
  const note = version.note ?? '';
  const hash = await keepContent(db, plan);
  const [newest] = await rows<KeptVersion>(
    db,
    'SELECT seq, id, hash FROM plan_versions WHERE plan_id = ? ORDER BY seq DESC LIMIT 1 FOR UPDATE',
    [plan.id],
  );
  if (newest?.hash === hash && note === '' && SAME_AGAIN.includes(why)) {
    await write(
      db,
      `UPDATE plan_versions SET is_open = is_open OR ?, plan_version = ?, why = IF(? AND why NOT IN (?), 'shared', why) WHERE seq = ?`,
      [isOpen, plan.version, why === 'shared', TOLD_REASONS, newest.seq],
    );
    return { seq: Number(newest.seq), id: newest.id, hash };
  }
  const id = randomUUID();
  await write(
    db,
    `INSERT INTO plan_versions (id, plan_id, hash, why, note, is_open, plan_version, author_id, author_name, parent_id, merged_id, made_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, COALESCE(?, UTC_TIMESTAMP(3)))`,
    [
      ...[id, plan.id, hash, why, note, isOpen, plan.version, author.id, author.name],
      ...[newest?.id ?? null, version.mergedId ?? null, version.at ?? null],
    ],
  );
  const [made] = await rows<{ seq: number }>(db, 'SELECT seq FROM plan_versions WHERE id = ?', [id]);
  return { seq: Number(made?.seq), id, hash };
}

/** Notes what a copy took of its origin, from which it is merged the next time. */
export async function keepBase(
  db: Db,
  planId: string,
  base: Pick<KeptVersion, 'hash' | 'seq'>,
): Promise<void> {
  await write(db, 'UPDATE plans SET base_hash = ?, base_seq = ? WHERE id = ?', [base.hash, base.seq, planId]);
}

/** How the origin of a copy moved on. */
export interface NewerVersion {
  base_hash: string | null;
  base_at: Date | null;
  seq: number;
  id: string;
  hash: string;
  note: string;
  author_name: string;
  made_at: Date;
  origin_title: string;
}

/** How the origin of a copy moved on since; null where it did not, or its owner's circle is not the user's any more. */
export async function findNewer(db: Db, userId: string, planId: string): Promise<NewerVersion | null> {
  const [found] = await rows<NewerVersion>(
    db,
    `SELECT p.base_hash, b.made_at AS base_at, v.seq, v.id, v.hash, v.note, v.author_name, v.made_at, o.title AS origin_title
     FROM plans p JOIN plans o ON o.id = p.origin_plan_id
       LEFT JOIN circle_members m ON m.circle_id = o.circle_id AND m.user_id = ?
       JOIN plan_versions v ON v.plan_id = o.id AND v.is_open = 1 AND v.why IN (${TOLD})
       LEFT JOIN plan_versions b ON b.seq = p.base_seq
     WHERE p.id = ? AND (o.owner_id = ? OR m.user_id IS NOT NULL) AND v.seq > COALESCE(p.base_seq, 0)
     ORDER BY v.seq DESC LIMIT 1`,
    [userId, planId, userId],
  );
  return found && found.hash !== found.base_hash ? found : null;
}

/** Hashes of states that may go with some plans; by plan_versions_plan and plan_proposals_plan. */
export async function findHashesOf(db: Db, planIds: readonly string[]): Promise<string[]> {
  if (planIds.length === 0) return [];
  const found = await rows<{ hash: string | null }>(
    db,
    `SELECT hash FROM plan_versions WHERE plan_id IN (?)
     UNION SELECT base_hash FROM plans WHERE id IN (?)
     UNION SELECT hash FROM plan_proposals WHERE plan_id IN (?)
     UNION SELECT base_hash FROM plan_proposals WHERE plan_id IN (?)
     UNION SELECT hash FROM plan_links WHERE plan_id IN (?)`,
    Array(5).fill(planIds),
  );
  return found.flatMap(({ hash }) => hash ?? []);
}

/** Deletes what nobody has any more; by the indexes of the foreign keys. */
export async function sweepContents(db: Db, hashes: readonly string[]): Promise<void> {
  if (hashes.length === 0) return;
  await write(
    db,
    `DELETE FROM plan_contents WHERE hash IN (?)
       AND NOT EXISTS (SELECT 1 FROM plan_versions v WHERE v.hash = plan_contents.hash)
       AND NOT EXISTS (SELECT 1 FROM plans p WHERE p.base_hash = plan_contents.hash)
       AND NOT EXISTS (SELECT 1 FROM plan_links k WHERE k.hash = plan_contents.hash)
       AND NOT EXISTS (SELECT 1 FROM plan_proposals q WHERE plan_contents.hash IN (q.hash, q.base_hash))`,
    [hashes],
  );
}

import { inShape, type PlanLink, type ShownPlan } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';

interface LinkRow {
  id: string;
  title: string;
  made_at: Date;
  until_at: Date;
  revoked_at: Date | null;
  views: number;
  viewed_at: Date | null;
}

const SELECT = `SELECT k.id, c.title, k.made_at, k.until_at, k.revoked_at, k.views, k.viewed_at
  FROM plan_links k JOIN plan_contents c ON c.hash = k.hash`;

/** Most that are told of one plan. */
const LISTED = 100;

function toLink(row: LinkRow): PlanLink {
  return {
    id: row.id,
    title: row.title,
    at: row.made_at.toISOString(),
    until: row.until_at.toISOString(),
    revokedAt: row.revoked_at?.toISOString() ?? null,
    views: Number(row.views),
    viewedAt: row.viewed_at?.toISOString() ?? null,
  };
}

/** Links to a plan, newest first; uses plan_links_plan. */
export async function findLinks(db: Db, planId: string): Promise<PlanLink[]> {
  const found = await rows<LinkRow>(
    db,
    `${SELECT} WHERE k.plan_id = ? ORDER BY k.made_at DESC, k.id LIMIT ?`,
    [planId, LISTED],
  );
  return found.map(toLink);
}

/** By primary key; null where there is none. */
export async function findLink(db: Db, id: string): Promise<PlanLink | null> {
  const [found] = await rows<LinkRow>(db, `${SELECT} WHERE k.id = ?`, [id]);
  return found ? toLink(found) : null;
}

export async function insertLink(
  db: Db,
  {
    id,
    planId,
    token,
    hash,
    days,
  }: { id: string; planId: string; token: string; hash: string; days: number },
): Promise<void> {
  await write(
    db,
    `INSERT INTO plan_links (id, plan_id, token_hash, hash, until_at)
     VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? DAY)`,
    [id, planId, tokenHash(token), hash, days],
  );
}

/** Closes a link; one that is closed stays as it was. */
export async function revokeLink(db: Db, id: string): Promise<void> {
  await write(db, 'UPDATE plan_links SET revoked_at = UTC_TIMESTAMP(3) WHERE id = ? AND revoked_at IS NULL', [
    id,
  ]);
}

interface ShownRow {
  title: string;
  body: string;
  shape: number;
  author_name: string;
  made_at: Date;
  until_at: Date;
}

/** The plan behind a token, and one view more; null for a token of no link. Uses plan_links_token. */
export async function openLink(db: Db, token: string): Promise<ShownPlan | null> {
  const hash = tokenHash(token);
  const [found] = await rows<ShownRow>(
    db,
    `SELECT c.title, c.body, c.shape, u.name AS author_name, k.made_at, k.until_at
     FROM plan_links k JOIN plan_contents c ON c.hash = k.hash
       JOIN plans p ON p.id = k.plan_id JOIN users u ON u.id = p.owner_id WHERE k.token_hash = ?`,
    [hash],
  );
  if (!found) return null;
  await write(
    db,
    'UPDATE plan_links SET views = views + 1, viewed_at = UTC_TIMESTAMP(3) WHERE token_hash = ?',
    [hash],
  );
  return {
    title: found.title,
    body: inShape('plan', found.shape, JSON.parse(found.body)) as PlanBody,
    authorName: found.author_name,
    at: found.made_at.toISOString(),
    until: found.until_at.toISOString(),
  };
}

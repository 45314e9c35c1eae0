import type { PlanComment } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

interface CommentRow {
  id: string;
  block_id: string | null;
  answers: string | null;
  author_name: string;
  mine: number;
  text: string;
  made_at: Date;
  settled_at: Date | null;
}

const PAGE = 50;
const SELECT = `SELECT c.id, c.block_id, c.answers, u.name AS author_name, c.author_id = ? AS mine, c.text, c.made_at, c.settled_at
  FROM plan_comments c JOIN users u ON u.id = c.author_id`;

function toComment(row: CommentRow): PlanComment {
  return {
    id: row.id,
    blockId: row.block_id,
    answers: row.answers,
    authorName: row.author_name,
    mine: Boolean(row.mine),
    text: row.text,
    at: row.made_at.toISOString(),
    settled: row.settled_at !== null,
  };
}

/** Comments of a plan, newest first, and where to go on; uses plan_comments_plan. */
export async function findComments(
  db: Db,
  userId: string,
  planId: string,
  before: string | undefined,
): Promise<{ items: PlanComment[]; next: string | null }> {
  const found = await rows<CommentRow>(
    db,
    `${SELECT} LEFT JOIN plan_comments b ON b.id = ?
     WHERE c.plan_id = ? AND (b.id IS NULL OR c.made_at < b.made_at OR (c.made_at = b.made_at AND c.id < b.id))
     ORDER BY c.made_at DESC, c.id DESC LIMIT ?`,
    [userId, before ?? null, planId, PAGE + 1],
  );
  const items = found.slice(0, PAGE).map(toComment);
  return { items, next: found.length > PAGE ? (items.at(-1)?.id ?? null) : null };
}

export async function findComment(
  db: Db,
  userId: string,
  id: string,
): Promise<(PlanComment & { planId: string }) | null> {
  const [found] = await rows<CommentRow & { plan_id: string }>(
    db,
    `${SELECT.replace('c.id,', 'c.id, c.plan_id,')} WHERE c.id = ?`,
    [userId, id],
  );
  return found ? { ...toComment(found), planId: found.plan_id } : null;
}

export async function insertComment(
  db: Db,
  userId: string,
  planId: string,
  one: Pick<PlanComment, 'id' | 'blockId' | 'answers' | 'text'> & { at?: Date },
): Promise<void> {
  await write(
    db,
    `INSERT INTO plan_comments (id, plan_id, block_id, answers, author_id, text, made_at)
     VALUES (?, ?, ?, ?, ?, ?, COALESCE(?, UTC_TIMESTAMP(3)))`,
    [one.id, planId, one.blockId, one.answers, userId, one.text, one.at ?? null],
  );
}

export async function settleComment(db: Db, id: string, settled: boolean): Promise<void> {
  await write(db, 'UPDATE plan_comments SET settled_at = IF(?, UTC_TIMESTAMP(3), NULL) WHERE id = ?', [
    settled,
    id,
  ]);
}

/** Its answers go with it. */
export async function deleteComment(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM plan_comments WHERE id = ?', [id]);
}

/** What somebody wrote on plans, oldest first; uses plan_comments_author. */
export async function findCommentsBy(
  db: Db,
  authorId: string,
): Promise<{ plan: string; text: string; at: string }[]> {
  const found = await rows<{ title: string; text: string; made_at: Date }>(
    db,
    `SELECT p.title, q.text, q.made_at FROM plan_comments q JOIN plans p ON p.id = q.plan_id
     WHERE q.author_id = ? ORDER BY q.made_at, q.id`,
    [authorId],
  );
  return found.map(({ title, text, made_at }) => ({ plan: title, text, at: made_at.toISOString() }));
}

import type { NewsItem } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';
import { TOLD } from './versions.sql';

interface NewsRow {
  plan_id: string;
  plan_title: string;
  by_name: string;
  at: Date;
  text: string;
  id: string;
  block_id: string | null;
  state: 'taken' | 'declined';
}

/** Most of one kind that are told. */
const LISTED = 30;
/** What was answered is told for so long, days. */
const TOLD_DAYS = 60;

const QUERIES = {
  /** Copies whose origin moved on; uses plans_copies and plan_versions_plan. */
  newer: `SELECT p.id AS plan_id, p.title AS plan_title, v.author_name AS by_name, v.made_at AS at, v.note AS text, v.id, NULL AS block_id
    FROM plans p JOIN plans o ON o.id = p.origin_plan_id
      LEFT JOIN circle_members m ON m.circle_id = o.circle_id AND m.user_id = p.owner_id
      JOIN plan_versions v ON v.seq = (SELECT MAX(w.seq) FROM plan_versions w
        WHERE w.plan_id = o.id AND w.is_open = 1 AND w.why IN (${TOLD}))
    WHERE p.owner_id = ? AND p.origin_plan_id IS NOT NULL AND (o.owner_id = p.owner_id OR m.user_id IS NOT NULL)
      AND v.seq > GREATEST(COALESCE(p.base_seq, 0), COALESCE(p.passed_seq, 0)) AND NOT (v.hash <=> p.base_hash)
    ORDER BY v.seq DESC LIMIT ?`,
  /** Uses plans_owner and plan_proposals_plan. */
  proposal: `SELECT p.id AS plan_id, p.title AS plan_title, u.name AS by_name, q.made_at AS at, q.note AS text, q.id, NULL AS block_id
    FROM plans p JOIN plan_proposals q ON q.plan_id = p.id AND q.state = 'open' JOIN users u ON u.id = q.author_id
    WHERE p.owner_id = ? ORDER BY q.made_at DESC, q.id LIMIT ?`,
  /** Comments on my plans that nobody settled, and whose last word is not mine; uses plans_owner and plan_comments_plan. */
  question: `SELECT p.id AS plan_id, p.title AS plan_title, u.name AS by_name, c.made_at AS at, c.text, c.id, c.block_id
    FROM plans p JOIN plan_comments c ON c.plan_id = p.id AND c.answers IS NULL AND c.settled_at IS NULL JOIN users u ON u.id = c.author_id
    WHERE p.owner_id = ? AND p.owner_id <> COALESCE(
      (SELECT a.author_id FROM plan_comments a WHERE a.answers = c.id ORDER BY a.made_at DESC, a.id DESC LIMIT 1), c.author_id)
    ORDER BY c.made_at DESC, c.id LIMIT ?`,
  /** Answers to what I said of others' plans; uses plan_comments_author and the key of \`answers\`. */
  reply: `SELECT p.id AS plan_id, p.title AS plan_title, u.name AS by_name, a.made_at AS at, a.text, c.id, NULL AS block_id
    FROM plan_comments c JOIN plan_comments a ON a.answers = c.id AND a.author_id <> c.author_id
      JOIN plans p ON p.id = c.plan_id AND p.owner_id <> c.author_id JOIN users u ON u.id = a.author_id
      JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = c.author_id
    WHERE c.author_id = ? AND a.made_at > UTC_TIMESTAMP() - INTERVAL ${TOLD_DAYS} DAY
    ORDER BY a.made_at DESC, a.id LIMIT ?`,
  /** Uses plan_proposals_author. */
  answered: `SELECT COALESCE(q.from_plan_id, q.plan_id) AS plan_id, p.title AS plan_title, u.name AS by_name, q.answered_at AS at, q.answer AS text, q.id,
      NULL AS block_id, q.state
    FROM plan_proposals q JOIN plans p ON p.id = q.plan_id JOIN users u ON u.id = p.owner_id
    WHERE q.author_id = ? AND q.answered_at > UTC_TIMESTAMP() - INTERVAL ${TOLD_DAYS} DAY
    ORDER BY q.answered_at DESC, q.id LIMIT ?`,
} satisfies Record<NewsItem['kind'], string>;

/** What waits for a user, and what was answered lately; newest first. */
export async function findNews(db: Db, userId: string): Promise<NewsItem[]> {
  const found = await Promise.all(
    (Object.keys(QUERIES) as NewsItem['kind'][]).map(async (kind) =>
      (await rows<NewsRow>(db, QUERIES[kind], [userId, LISTED])).map((row) => toItem(kind, row)),
    ),
  );
  return found.flat().sort((a, b) => (a.at < b.at ? 1 : -1));
}

function toItem(kind: NewsItem['kind'], row: NewsRow): NewsItem {
  const told = {
    planId: row.plan_id,
    planTitle: row.plan_title,
    byName: row.by_name,
    at: row.at.toISOString(),
  };
  switch (kind) {
    case 'newer':
      return { kind, ...told, note: row.text };
    case 'proposal':
      return { kind, ...told, proposalId: row.id, note: row.text };
    case 'question':
      return { kind, ...told, commentId: row.id, text: row.text, blockId: row.block_id };
    case 'reply':
      return { kind, ...told, commentId: row.id, text: row.text };
    case 'answered':
      return { kind, ...told, state: row.state, word: row.text };
  }
}

/** Null for who never looked. */
export async function findNewsSeen(db: Db, userId: string): Promise<string | null> {
  const [found] = await rows<{ news_seen_at: Date | null }>(
    db,
    'SELECT news_seen_at FROM users WHERE id = ?',
    [userId],
  );
  return found?.news_seen_at?.toISOString() ?? null;
}

export async function noteNewsSeen(db: Db, userId: string): Promise<void> {
  await write(db, 'UPDATE users SET news_seen_at = UTC_TIMESTAMP(3) WHERE id = ?', [userId]);
}

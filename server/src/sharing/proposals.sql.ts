import { type Proposal, PROPOSAL_STATES } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

export interface ProposalRow {
  id: string;
  plan_id: string;
  plan_title: string;
  from_plan_id: string | null;
  hash: string;
  base_hash: string | null;
  author_id: string;
  author_name: string;
  note: string;
  state: (typeof PROPOSAL_STATES)[number];
  answer: string;
  made_at: Date;
}

const SELECT = `SELECT q.id, q.plan_id, p.title AS plan_title, q.from_plan_id, q.hash, q.base_hash, q.author_id, u.name AS author_name,
    q.note, q.state, q.answer, q.made_at
  FROM plan_proposals q JOIN plans p ON p.id = q.plan_id JOIN users u ON u.id = q.author_id`;

/** Most that are told of one plan. */
const LISTED = 50;

export function toProposal(row: ProposalRow, userId: string): Proposal {
  return {
    id: row.id,
    planId: row.plan_id,
    planTitle: row.plan_title,
    authorName: row.author_name,
    mine: row.author_id === userId,
    note: row.note,
    state: row.state,
    word: row.answer,
    at: row.made_at.toISOString(),
  };
}

/** By primary key; locked until the transaction ends, so that it is answered once. */
export async function lockProposal(db: Db, id: string): Promise<ProposalRow | null> {
  return (await rows<ProposalRow>(db, `${SELECT} WHERE q.id = ? FOR UPDATE`, [id]))[0] ?? null;
}

export async function findProposal(db: Db, id: string): Promise<ProposalRow | null> {
  return (await rows<ProposalRow>(db, `${SELECT} WHERE q.id = ?`, [id]))[0] ?? null;
}

/** What was proposed from a copy, newest first; by the foreign key's index. */
export function findProposalsFrom(db: Db, planId: string): Promise<ProposalRow[]> {
  return rows<ProposalRow>(db, `${SELECT} WHERE q.from_plan_id = ? ORDER BY q.made_at DESC, q.id LIMIT ?`, [
    planId,
    LISTED,
  ]);
}

export async function insertProposal(
  db: Db,
  one: Pick<ProposalRow, 'id' | 'plan_id' | 'hash' | 'base_hash' | 'author_id' | 'note'> & {
    from_plan_id: string;
    /** Now, unless it was made before. */
    at?: Date;
  },
): Promise<void> {
  await write(
    db,
    `INSERT INTO plan_proposals (id, plan_id, from_plan_id, hash, base_hash, author_id, note, made_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, COALESCE(?, UTC_TIMESTAMP(3)))`,
    [one.id, one.plan_id, one.from_plan_id, one.hash, one.base_hash, one.author_id, one.note, one.at ?? null],
  );
}

/** A newer proposal from the same copy stands in place of the one that still waits. */
export async function dropOpenProposals(db: Db, fromPlanId: string, planId: string): Promise<void> {
  await write(db, "DELETE FROM plan_proposals WHERE from_plan_id = ? AND plan_id = ? AND state = 'open'", [
    fromPlanId,
    planId,
  ]);
}

/** False when it was answered before. */
export async function answerProposal(
  db: Db,
  id: string,
  state: 'taken' | 'declined',
  word: string,
): Promise<boolean> {
  return (
    (await write(
      db,
      "UPDATE plan_proposals SET state = ?, answer = ?, answered_at = UTC_TIMESTAMP(3) WHERE id = ? AND state = 'open'",
      [state, word, id],
    )) > 0
  );
}

/** Only one that nobody answered. */
export async function deleteOpenProposal(db: Db, id: string): Promise<boolean> {
  return (await write(db, "DELETE FROM plan_proposals WHERE id = ? AND state = 'open'", [id])) > 0;
}

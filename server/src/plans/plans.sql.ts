import { inShape, type PlanSummary, type SavedPlan, shapeOf } from '@doceo/contract';
import { type Curriculum, type PlanBody, strandShares } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { TOLD } from '../sharing/versions.sql';
import { curriculumFor } from '../teaching/curriculum';
import { gatherPlans } from './gather.sql';

export interface PlanRow {
  id: string;
  title: string;
  body: string;
  shape: number;
  version: number;
  updated_at: Date;
  mine: number;
  owner_name: string;
  circle_id: string | null;
  circle_name: string | null;
  origin_plan_id: string | null;
  origin_title: string | null;
  origin_owner_name: string | null;
  origin_seen: number;
  newer_at: Date | null;
  told_version: number | null;
}

/** What is told of a plan to a user, beside what is in it. That the origin moved on is told only while he may still see it. */
const TOLD_OF_PLANS = `p.version, p.updated_at, p.owner_id = ? AS mine, u.name AS owner_name,
    p.circle_id, c.name AS circle_name, p.origin_plan_id, p.origin_title, p.origin_owner_name,
    COALESCE(o.owner_id = ? OR om.user_id IS NOT NULL, 0) AS origin_seen,
    (SELECT v.made_at FROM plan_versions v
      WHERE v.seq = (SELECT MAX(w.seq) FROM plan_versions w WHERE w.plan_id = o.id AND w.is_open = 1 AND w.why IN (${TOLD}))
        AND v.seq > GREATEST(COALESCE(p.base_seq, 0), COALESCE(p.passed_seq, 0)) AND NOT (v.hash <=> p.base_hash)) AS newer_at`;
/** Where that is from. */
const AROUND_PLANS = `JOIN users u ON u.id = p.owner_id
  LEFT JOIN circles c ON c.id = p.circle_id
  LEFT JOIN plans o ON o.id = p.origin_plan_id
  LEFT JOIN circle_members om ON om.circle_id = o.circle_id AND om.user_id = ?`;

/** Plans that a user sees, whole. Takes his id five times. */
export const SELECT_PLANS = `SELECT p.id, p.title, p.body, p.shape, ${TOLD_OF_PLANS},
    (SELECT MAX(w.plan_version) FROM plan_versions w WHERE w.plan_id = p.id AND w.is_open = 1 AND w.why IN (${TOLD})) AS told_version
  FROM plans p ${AROUND_PLANS}
  LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = ?
  WHERE (p.owner_id = ? OR m.user_id IS NOT NULL)`;

/** A row as its plan, with what its drills are. */
export function toPlan(curriculum: Curriculum, row: PlanRow): SavedPlan {
  const body = inShape('plan', row.shape, JSON.parse(row.body)) as PlanBody;
  return {
    ...toldOf(row),
    body,
    aim: body.aim,
    lengthMin: body.lengthMin,
    blockCount: body.blocks.length,
    strands: strandShares(curriculum, body).map(({ strand }) => strand),
    toldVersion: row.told_version,
  };
}

function toldOf(
  row: Omit<PlanRow, 'body' | 'shape' | 'told_version'>,
): Omit<PlanSummary, 'aim' | 'lengthMin' | 'blockCount' | 'strands'> {
  return {
    id: row.id,
    title: row.title,
    version: row.version,
    updatedAt: row.updated_at.toISOString(),
    mine: Boolean(row.mine),
    ownerName: row.owner_name,
    circleId: row.circle_id,
    circleName: row.circle_name,
    origin: row.origin_plan_id
      ? {
          planId: row.origin_plan_id,
          title: row.origin_title ?? '',
          ownerName: row.origin_owner_name ?? '',
          seen: Boolean(row.origin_seen),
          newerAt: row.mine && row.origin_seen ? (row.newer_at?.toISOString() ?? null) : null,
        }
      : null,
  };
}

interface ListedRow extends Omit<PlanRow, 'body' | 'shape' | 'told_version'> {
  aim: string;
  length_min: number;
  block_count: number;
  /** Null where they are to be gathered. */
  strands: string | null;
}

/** Plans that are chosen by a statement with columns id and updated_at. */
export interface Chosen {
  sql: string;
  params: unknown[];
}

/** Chosen plans as lists tell them, newest first, without reading what is in them; by primary keys. */
export async function listPlans(db: Db, userId: string, chosen: Chosen): Promise<PlanSummary[]> {
  const found = await rows<ListedRow>(
    db,
    `SELECT p.id, p.title, p.aim, p.length_min, p.block_count, p.strands, ${TOLD_OF_PLANS}
     FROM (${chosen.sql}) chosen JOIN plans p ON p.id = chosen.id ${AROUND_PLANS}
     ORDER BY chosen.updated_at DESC, chosen.id DESC`,
    [userId, userId, ...chosen.params, userId],
  );
  const missing = found.flatMap(({ id, strands }) => (strands === null ? [id] : []));
  const gathered = await gatherPlans(db, userId, missing);
  return found.map((row) => ({
    ...toldOf(row),
    ...{ aim: row.aim, lengthMin: row.length_min, blockCount: row.block_count },
    strands: (row.strands ?? gathered.get(row.id) ?? '').split(',').filter(Boolean),
  }));
}

/** Plans that the user sees and of which a condition with one sign holds, with all that is in them. */
async function findWhere(db: Db, userId: string, condition: string, value: unknown): Promise<SavedPlan[]> {
  const found = await rows<PlanRow>(db, `${SELECT_PLANS} AND ${condition}`, [
    ...Array(5).fill(userId),
    value,
  ]);
  if (found.length === 0) return [];
  const curriculum = await curriculumFor(db, userId);
  return found.map((row) => toPlan(curriculum, row));
}

/** The user's own plans with all that is in them; uses plans_owner. */
export function findOwnPlans(db: Db, userId: string): Promise<SavedPlan[]> {
  return findWhere(db, userId, 'p.owner_id = ?', userId);
}

/** Some plans with all that is in them, in any order, without those that the user does not see; by primary keys. */
export function findPlansOf(db: Db, userId: string, ids: readonly string[]): Promise<SavedPlan[]> {
  return findWhere(db, userId, 'p.id IN (?)', ids);
}

/** Null when it does not exist or is not visible. */
export async function findPlan(db: Db, userId: string, id: string): Promise<SavedPlan | null> {
  const [plan] = await findWhere(db, userId, 'p.id = ?', id);
  return plan ?? null;
}

export async function insertPlan(
  db: Db,
  ownerId: string,
  plan: { id: string; title: string; body: PlanBody; origin?: SavedPlan },
): Promise<void> {
  const { origin } = plan;
  await write(
    db,
    `INSERT INTO plans (id, owner_id, title, body, shape, updated_at, origin_plan_id, origin_title, origin_owner_name)
     VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3), ?, ?, ?)`,
    [
      plan.id,
      ownerId,
      plan.title,
      JSON.stringify(plan.body),
      shapeOf('plan'),
      origin?.id ?? null,
      origin?.title ?? null,
      origin?.ownerName ?? null,
    ],
  );
}

/** False when the stored version is another than `baseVersion`: somebody saved in the meantime. */
export async function updatePlan(
  db: Db,
  id: string,
  baseVersion: number,
  title: string,
  body: PlanBody,
): Promise<boolean> {
  const touched = await write(
    db,
    'UPDATE plans SET title = ?, body = ?, shape = ?, version = version + 1, updated_at = UTC_TIMESTAMP(3), words = NULL, strands = NULL WHERE id = ? AND version = ?',
    [title, JSON.stringify(body), shapeOf('plan'), id, baseVersion],
  );
  return touched > 0;
}

export async function updatePlanCircle(db: Db, id: string, circleId: string | null): Promise<void> {
  await write(db, 'UPDATE plans SET circle_id = ? WHERE id = ?', [circleId, id]);
}

export async function deletePlan(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM plans WHERE id = ?', [id]);
}

/** The state of its origin that a copy last took up; null for what is no copy, or where it is not kept. */
export async function findBase(db: Db, id: string): Promise<string | null> {
  const [found] = await rows<{ base_hash: string | null }>(db, 'SELECT base_hash FROM plans WHERE id = ?', [
    id,
  ]);
  return found?.base_hash ?? null;
}

/** Notes that a copy stays without a version of its origin, and those before it. */
export async function updatePassed(db: Db, id: string, seq: number): Promise<void> {
  await write(db, 'UPDATE plans SET passed_seq = ? WHERE id = ?', [seq, id]);
}

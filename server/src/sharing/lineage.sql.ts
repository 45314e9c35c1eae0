import type { Lineage } from '@doceo/contract';
import { type Db, rows } from '../db/pool';
import { findVersionsOf } from './versions.sql';

interface FamilyRow {
  id: string;
  title: string;
  owner_name: string;
  mine: number;
  circle_name: string | null;
  origin_plan_id: string | null;
  seen: number;
}

/** How far up and down one looks; who copies a copy of a copy further is not drawn. */
const DEPTH = 12;
/** Most plans that are drawn. */
const DRAWN = 24;

/**
 * The plans that come from one another, as far as the user may see them; uses plans_origin. A copy from which something
 * was proposed to a plan of his is told too, by what was proposed. A plan between two that is not his to see is left out.
 */
export async function findLineage(db: Db, userId: string, planId: string): Promise<Lineage> {
  const family = await rows<FamilyRow>(
    db,
    `WITH RECURSIVE
       up (id, origin_plan_id, depth) AS (
         SELECT id, origin_plan_id, 0 FROM plans WHERE id = ?
         UNION ALL SELECT p.id, p.origin_plan_id, up.depth + 1 FROM up JOIN plans p ON p.id = up.origin_plan_id WHERE up.depth < ?),
       top (id) AS (SELECT id FROM up ORDER BY depth DESC LIMIT 1),
       family (id, depth) AS (
         SELECT id, 0 FROM top
         UNION SELECT p.id, family.depth + 1 FROM family JOIN plans p ON p.origin_plan_id = family.id WHERE family.depth < ?)
     SELECT DISTINCT p.id, p.title, u.name AS owner_name, p.owner_id = ? AS mine, c.name AS circle_name, p.origin_plan_id,
       p.owner_id = ? OR m.user_id IS NOT NULL AS seen
     FROM family JOIN plans p ON p.id = family.id JOIN users u ON u.id = p.owner_id
       LEFT JOIN circles c ON c.id = p.circle_id
       LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = ?
     WHERE p.owner_id = ? OR m.user_id IS NOT NULL OR EXISTS
       (SELECT 1 FROM plan_proposals q JOIN plans o ON o.id = q.plan_id WHERE q.from_plan_id = p.id AND o.owner_id = ?)
     ORDER BY family.depth, p.owner_id = ? DESC, p.updated_at DESC LIMIT ?`,
    [planId, DEPTH, DEPTH, ...Array<string>(6).fill(userId), DRAWN],
  );
  const seen = new Set(family.map(({ id }) => id));
  const versions = await findVersionsOf(db, userId, [...seen]);
  const known = new Set(versions.map(({ id }) => id));
  return {
    plans: family.map((row) => ({
      id: row.id,
      title: row.title,
      ownerName: row.owner_name,
      mine: Boolean(row.mine),
      seen: Boolean(row.seen),
      circleName: row.circle_name,
      originId: row.origin_plan_id !== null && seen.has(row.origin_plan_id) ? row.origin_plan_id : null,
    })),
    versions: versions.map((one) => ({ ...one, parents: one.parents.filter((id) => known.has(id)) })),
  };
}

import { type BundledPlan, lineageFileSchema, MAX_LINEAGE } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';
import { findVersionsOf } from './versions.sql';

type Told = BundledPlan['lineage'];

/** What a file told of a plan before it came here; empty for one that came of none. By primary key. */
async function findToldLineage(db: Db, planId: string): Promise<Told> {
  const [found] = await rows<{ told_lineage: string | null }>(
    db,
    'SELECT told_lineage FROM plans WHERE id = ?',
    [planId],
  );
  return found?.told_lineage ? lineageFileSchema.parse(JSON.parse(found.told_lineage)) : [];
}

/** Notes what a file told of a plan, for when it leaves again. */
export async function keepToldLineage(db: Db, planId: string, lineage: Told): Promise<void> {
  await write(db, 'UPDATE plans SET told_lineage = ? WHERE id = ?', [JSON.stringify(lineage), planId]);
}

/** The states of a plan that its user may tell of, oldest first, those of before it came here among them. */
export async function lineageOf(db: Db, userId: string, planId: string): Promise<Told> {
  const told = await findToldLineage(db, planId);
  const own = (await findVersionsOf(db, userId, [planId])).map(
    ({ id, hash, why, note, authorName, at, parents }) => ({ id, hash, why, note, authorName, at, parents }),
  );
  const before = told.filter(({ id }) => own.every((one) => one.id !== id));
  const last = before.at(-1);
  const whole = [
    ...before,
    // What came with the file goes on here: the first state of here is made of the last one that was told.
    ...own.map((one, i) =>
      i === 0 && last && one.parents.length === 0 ? { ...one, parents: [last.id] } : one,
    ),
  ].slice(-MAX_LINEAGE);
  const known = new Set(whole.map(({ id }) => id));
  return whole.map((one) => ({ ...one, parents: one.parents.filter((id) => known.has(id)) }));
}

/** A state that a plan was in. */
interface State {
  id: string;
  hash: string;
}

/** The states that some plans were in, here and before they came, by plan; uses plan_versions_plan. */
export async function findStatesOf(db: Db, planIds: readonly string[]): Promise<Map<string, State[]>> {
  const states = new Map<string, State[]>(planIds.map((id) => [id, []]));
  if (planIds.length === 0) return states;
  const kept = await rows<State & { plan_id: string }>(
    db,
    'SELECT plan_id, id, hash FROM plan_versions WHERE plan_id IN (?)',
    [planIds],
  );
  for (const { plan_id, id, hash } of kept) states.get(plan_id)?.push({ id, hash });
  const told = await rows<{ id: string; told_lineage: string }>(
    db,
    'SELECT id, told_lineage FROM plans WHERE id IN (?) AND told_lineage IS NOT NULL',
    [planIds],
  );
  for (const { id, told_lineage } of told)
    states.get(id)?.push(...lineageFileSchema.parse(JSON.parse(told_lineage)));
  return states;
}

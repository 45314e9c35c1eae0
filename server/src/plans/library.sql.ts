import { type LibraryQuery, MAX_LISTED_PLANS, type PlanSummary, type SavedPlan } from '@doceo/contract';
import { type Db, rows } from '../db/pool';
import { findPlansOf, listPlans } from './plans.sql';

/** How many plans are told at a time. */
const PAGE = 24;
/** Of plans with all that is in them no more than this at a time, bytes: what one asks for holds nobody up. */
const PAGE_BYTES = 400_000;

/** A condition on a plan `p`, with what stands for its signs. */
type Condition = [sql: string, ...params: unknown[]];

/** What is asked of plans, as conditions; a word finds also what begins with it, and signs have no meaning. */
function conditions(
  userId: string,
  { words = '', strand, water, longest, group, whose }: LibraryQuery,
): Condition[] {
  const wanted = (words.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).map((word) => `+${word}*`).join(' ');
  return [
    ...(wanted ? [['MATCH (p.words) AGAINST (? IN BOOLEAN MODE)', wanted] as Condition] : []),
    ...(strand ? [['FIND_IN_SET(?, p.strands)', strand] as Condition] : []),
    ...(water ? [["p.water_kind IN (?, 'any')", water] as Condition] : []),
    ...(longest ? [['p.length_min <= ?', longest] as Condition] : []),
    ...(group ? [['p.group_size >= ?', group] as Condition] : []),
    ...(whose ? [['p.owner_id = ?', userId] as Condition] : []),
  ];
}

/**
 * The newest plans that the user sees and that meet some conditions, so many at most. His own and those of his circles are
 * each read in the order of an index; uses plans_owner, plans_circle and circle_members_user.
 */
function findNewest(
  db: Db,
  userId: string,
  most: number,
  asked: readonly Condition[] = [],
): Promise<PlanSummary[]> {
  const where = asked.map(([sql]) => ` AND ${sql}`).join('');
  const params = [userId, ...asked.flatMap(([, ...rest]) => rest), most];
  const order = 'ORDER BY p.updated_at DESC, p.id DESC LIMIT ?';
  return listPlans(db, userId, {
    sql: `(SELECT p.id, p.updated_at FROM plans p WHERE p.owner_id = ?${where} ${order})
      UNION (SELECT p.id, p.updated_at FROM circle_members a JOIN plans p ON p.circle_id = a.circle_id
             WHERE a.user_id = ?${where} ${order})
      ORDER BY updated_at DESC, id DESC LIMIT ?`,
    params: [...params, ...params, most],
  });
}

/** The newest plans of the user and of those shared with his circles. */
export function findPlans(db: Db, userId: string): Promise<PlanSummary[]> {
  return findNewest(db, userId, MAX_LISTED_PLANS);
}

/**
 * Plans that the user sees and that have all the words and are of the kind that is asked for, newest first, a page at a
 * time; uses plans_words.
 */
export async function findInLibrary(
  db: Db,
  userId: string,
  query: LibraryQuery,
): Promise<{ items: PlanSummary[]; next: string | null }> {
  const [last] = query.before
    ? await rows<{ at: Date }>(db, 'SELECT updated_at AS at FROM plans WHERE id = ?', [query.before])
    : [];
  // A page after a plan that is gone is none: who asks begins anew.
  if (query.before && !last) return { items: [], next: null };
  const found = await findNewest(db, userId, PAGE + 1, [
    ...conditions(userId, query),
    ...(last ? [['(p.updated_at, p.id) < (?, ?)', last.at, query.before] as Condition] : []),
  ]);
  const items = found.slice(0, PAGE);
  return { items, next: found.length > PAGE ? (items.at(-1)?.id ?? null) : null };
}

/** The same plans with all that is in them: so many of the page as are not too large together, one at least. */
export async function findInLibraryWhole(
  db: Db,
  userId: string,
  query: LibraryQuery,
): Promise<{ items: SavedPlan[]; next: string | null }> {
  const page = await findInLibrary(db, userId, query);
  const ids = page.items.map(({ id }) => id);
  if (ids.length === 0) return { items: [], next: page.next };
  const sizes = await rows<{ id: string; bytes: number }>(
    db,
    'SELECT id, LENGTH(body) AS bytes FROM plans WHERE id IN (?)',
    [ids],
  );
  const sizeOf = new Map(sizes.map(({ id, bytes }) => [id, bytes]));
  let sum = 0;
  const fit = ids.filter((id, i) => (sum += sizeOf.get(id) ?? 0) <= PAGE_BYTES || i === 0);
  const whole = new Map((await findPlansOf(db, userId, fit)).map((plan) => [plan.id, plan]));
  // One that went meanwhile is left out.
  const items = fit.flatMap((id) => whole.get(id) ?? []);
  return { items, next: fit.length < ids.length ? (fit.at(-1) as string) : page.next };
}

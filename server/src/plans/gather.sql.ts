import { setImmediate as letOthersIn } from 'node:timers/promises';
import { inShape } from '@doceo/contract';
import { libraryWords, type PlanBody, strandShares } from '@doceo/core';
import { bePatient, LONG_PATIENCE_MS } from '../db/patience';
import { type Db, rows, write } from '../db/pool';
import { curriculumFor } from '../teaching/curriculum';

/** So many are read and noted at once; others are answered in between. */
const BATCH = 20;

/**
 * Notes the words and strands of these plans, by which they are found and listed.
 *
 * @returns the strands of each, with commas between
 */
export async function gatherPlans(
  db: Db,
  userId: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  const strandsOf = new Map<string, string>();
  if (ids.length === 0) return strandsOf;
  const curriculum = await curriculumFor(db, userId);
  for (let from = 0; from < ids.length; from += BATCH) {
    if (from > 0) await letOthersIn();
    const found = await rows<{ id: string; title: string; body: string; shape: number; version: number }>(
      db,
      'SELECT id, title, body, shape, version FROM plans WHERE id IN (?)',
      [ids.slice(from, from + BATCH)],
    );
    const gathered = found.map(({ id, title, shape, version, ...row }) => {
      const body = inShape('plan', shape, JSON.parse(row.body)) as PlanBody;
      const strands = strandShares(curriculum, body).map(({ strand }) => strand);
      strandsOf.set(id, strands.join(','));
      return [id, version, libraryWords(curriculum, { title, body }), strands.join(',')];
    });
    if (gathered.length === 0) continue;
    await write(
      db,
      `UPDATE plans p JOIN (${gathered.map(() => 'SELECT CONVERT(? USING ascii) AS id, ? AS version, ? AS words, ? AS strands').join(' UNION ALL ')}) g
         ON g.id = p.id AND g.version = p.version
       SET p.words = g.words, p.strands = g.strands`,
      gathered.flat(),
    );
  }
  return strandsOf;
}

/**
 * The same for all that the user sees and that changed since: a few, but for the first search after a migration; uses
 * plans_ungathered.
 */
export async function gatherWords(db: Db, userId: string): Promise<void> {
  bePatient(LONG_PATIENCE_MS);
  const found = await rows<{ id: string }>(
    db,
    `SELECT p.id FROM plans p LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = ?
     WHERE p.ungathered AND (p.owner_id = ? OR m.user_id IS NOT NULL)`,
    [userId, userId],
  );
  await gatherPlans(
    db,
    userId,
    found.map(({ id }) => id),
  );
}

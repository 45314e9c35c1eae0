import type { LibraryQuery, PlanSummary } from '@doceo/contract';
import { libraryWords } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { curriculumFor } from '../teaching/curriculum';
import { type PlanRow, SELECT_PLANS, toPlan, toSummary } from './plans.sql';

/** How many plans are told at a time, and how many are gathered at once. */
const PAGE = 24;
const GATHERED = 100;

/** Notes the words and strands of plans that the user sees and that changed since; by plans_owner and circle_members. */
export async function gatherWords(db: Db, userId: string): Promise<void> {
  const curriculum = await curriculumFor(db, userId);
  for (;;) {
    const found = await rows<PlanRow>(db, `${SELECT_PLANS} AND p.words IS NULL LIMIT ?`, [
      ...Array<string>(5).fill(userId),
      GATHERED,
    ]);
    for (const row of found) {
      const plan = toPlan(curriculum, row);
      await write(db, 'UPDATE plans SET words = ?, strands = ? WHERE id = ? AND version = ?', [
        ...[libraryWords(curriculum, plan), plan.strands.join(','), plan.id, plan.version],
      ]);
    }
    if (found.length < GATHERED) return;
  }
}

/**
 * Plans that the user sees and that have all the words and are of the kind that is asked for, newest first; uses
 * plans_words. A word finds also what begins with it; signs have no meaning.
 */
export async function findInLibrary(
  db: Db,
  userId: string,
  { words = '', strand, water, longest, group, before }: LibraryQuery,
): Promise<{ items: PlanSummary[]; next: string | null }> {
  const wanted = (words.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).map((word) => `+${word}*`).join(' ');
  const found = await rows<PlanRow>(
    db,
    `${SELECT_PLANS}
       AND (? = '' OR MATCH (p.words) AGAINST (? IN BOOLEAN MODE))
       AND (? IS NULL OR FIND_IN_SET(?, p.strands))
       AND (? IS NULL OR JSON_VALUE(p.body, '$.waterKind') IN (?, 'any'))
       AND (? IS NULL OR JSON_VALUE(p.body, '$.lengthMin') <= ?)
       AND (? IS NULL OR JSON_VALUE(p.body, '$.groupSize') >= ?)
       AND (? IS NULL OR (p.updated_at, p.id) < (SELECT b.updated_at, b.id FROM plans b WHERE b.id = ?))
     ORDER BY p.updated_at DESC, p.id DESC LIMIT ?`,
    [
      ...Array<string>(5).fill(userId),
      ...[wanted, wanted],
      ...[strand, water, longest, group, before].flatMap((one) => [one ?? null, one ?? null]),
      PAGE + 1,
    ],
  );
  const curriculum = await curriculumFor(db, userId);
  const items = found.slice(0, PAGE).map((row) => toSummary(toPlan(curriculum, row)));
  return { items, next: found.length > PAGE ? (items.at(-1)?.id ?? null) : null };
}

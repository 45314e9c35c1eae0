import { type SavedPlan, sharedPlanSchema, toIssues } from '@doceo/contract';
import { type MergeChoices, mergePlans, planHash, type SharedPlan } from '@doceo/core';
import type { Db } from '../db/pool';
import { HttpError } from '../http/errors';
import { followPlan } from '../lessons/lessons.sql';
import { findPlan, updatePlan } from '../plans/plans.sql';
import { namesNobody, refuseStudentNames } from './student-names';
import { keepVersion } from './versions.sql';

/** What is put into a plan. */
export interface Coming {
  /** Null where it is not kept any more: then every difference is chosen. */
  base: SharedPlan | null;
  theirs: SharedPlan;
  choices: MergeChoices;
  /** Version of the other plan, for the lineage. */
  mergedId: string | null;
  note: string;
}

/**
 * Puts two changes together and saves what comes of it; a version of before and one of after say so. Call it in a
 * transaction.
 *
 * @throws HttpError 'version-conflict' when the plan was saved meanwhile; 'invalid' with the path of each thing that waits
 *   for a choice, or that the result may not be
 */
export async function mergeInto(
  db: Db,
  user: { id: string; name: string },
  mine: SavedPlan,
  baseVersion: number,
  { base, theirs, choices, mergedId, note }: Coming,
): Promise<void> {
  if (mine.version !== baseVersion) throw new HttpError('version-conflict');
  const { plan, conflicts } = mergePlans(base ?? mine, mine, theirs, choices);
  if (conflicts.length > 0)
    throw new HttpError(
      'invalid',
      conflicts.map(({ path }) => ({
        path: `choices.${path}`,
        code: 'open',
        message: 'was changed by both: choose one',
      })),
      'Something that both changed waits for a choice.',
    );
  const read = sharedPlanSchema.safeParse(plan);
  if (!read.success) throw new HttpError('invalid', toIssues(read.error), 'Together they are no plan.');
  if (mine.circleId) await refuseStudentNames(db, user.id, read.data);
  const isOpen = mine.circleId !== null && (await namesNobody(db, user.id, mine));
  await keepVersion(db, { plan: mine, why: 'kept', author: user, isOpen });
  const changes = planHash(read.data) !== planHash(mine);
  const version = changes ? baseVersion + 1 : baseVersion;
  if (changes) {
    if (!(await updatePlan(db, mine.id, baseVersion, read.data.title, read.data.body)))
      throw new HttpError((await findPlan(db, user.id, mine.id)) ? 'version-conflict' : 'not-found');
    await followPlan(db, mine.id, { ...read.data, version });
  }
  await keepVersion(db, {
    plan: { ...read.data, id: mine.id, version },
    ...{ why: 'merged', note, author: user, isOpen: mine.circleId !== null, mergedId },
  });
}

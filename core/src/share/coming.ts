import { isSame, type SharedPlan } from './canonical';
import { planDifferences, type PlanDifference } from './difference';
import type { MergeConflict } from './merge';

/**
 * What would come into a plan from another that has the same origin: each part that the other changed and that is not so
 * here already. Blocks that are only pushed follow the others, and are no part of their own.
 */
export function comingParts(origin: SharedPlan, mine: SharedPlan, theirs: SharedPlan): PlanDifference[] {
  const stillOther = new Set(planDifferences(mine, theirs).map(({ path }) => path));
  return planDifferences(origin, theirs).filter(
    (one) => stillOther.has(one.path) && !(one.of === 'block' && one.change === 'later'),
  );
}

/** Something that waits for one choice, though it may stand at several paths: a line that several students do alike. */
export interface MergeQuestion extends MergeConflict {
  /** All the places that the choice is of, the path of this one among them. */
  paths: string[];
}

/**
 * Conflicts as a person is asked: the same three values in the same field, in blocks of one line of the running order, are
 * one question.
 *
 * @param rowOf for a block its line
 */
export function mergeQuestions(
  conflicts: readonly MergeConflict[],
  rowOf: (blockId: string) => string,
): MergeQuestion[] {
  const questions: MergeQuestion[] = [];
  for (const conflict of conflicts) {
    const like = questions.find(
      (one) =>
        placeOf(one.path, rowOf) === placeOf(conflict.path, rowOf) &&
        isSame(one.origin, conflict.origin) &&
        isSame(one.mine, conflict.mine) &&
        isSame(one.theirs, conflict.theirs),
    );
    if (like) like.paths.push(conflict.path);
    else questions.push({ ...conflict, paths: [conflict.path] });
  }
  return questions;
}

function placeOf(path: string, rowOf: (blockId: string) => string): string {
  const [kind, id = '', ...field] = path.split('/');
  return kind === 'blocks' ? ['blocks', rowOf(id), ...field].join('/') : path;
}

import type { Issue } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';

/**
 * Places of a plan where a student is named, so that no student travels with a shared plan.
 *
 * @param names full names of the owner's students; first and last names count as whole words of three letters or more
 */
export function studentNamesIn(title: string, plan: PlanBody, names: readonly string[]): Issue[] {
  const words = names.flatMap((name) => name.split(/\s+/)).filter((word) => word.length >= 3);
  if (words.length === 0) return [];
  const pattern = new RegExp(
    `(?<![\\p{L}])(${words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|')})(?![\\p{L}])`,
    'iu',
  );
  const texts: [string, string][] = [
    ['title', title],
    ['body.aim', plan.aim],
    ...plan.blocks.flatMap((block, index): [string, string][] => [
      [`body.blocks[${index}].title`, block.title],
      [`body.blocks[${index}].cue`, block.cue],
      [`body.blocks[${index}].note`, block.note],
    ]),
    ...plan.rigs.map((rig, index): [string, string] => [`body.rigs[${index}].name`, rig.name]),
  ];
  return texts.flatMap(([path, text]) => {
    const hit = pattern.exec(text);
    return hit ? [{ path, code: 'student-name', message: `names a student: “${hit[1]}”` }] : [];
  });
}

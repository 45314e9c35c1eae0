import type { Issue } from '@doceo/contract';
import type { Block, PlanBody } from '@doceo/core';

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
    ...textsOf(plan.blocks, 'body.blocks'),
    ...textsOf(plan.planB?.blocks ?? [], 'body.planB.blocks'),
    ...plan.rigs.map((rig, index): [string, string] => [`body.rigs[${index}].name`, rig.name]),
  ];
  return texts.flatMap(([path, text]) => {
    const hit = pattern.exec(text);
    return hit ? [{ path, code: 'student-name', message: `names a student: “${hit[1]}”` }] : [];
  });
}

function textsOf(blocks: readonly Block[], path: string): [string, string][] {
  return blocks.flatMap((block, index): [string, string][] => [
    [`${path}[${index}].title`, block.title],
    [`${path}[${index}].cue`, block.cue],
    [`${path}[${index}].note`, block.note],
  ]);
}

import type { PlanBody } from '../../plan';
import { rigProblemsAt } from '../../rules/rig';
import type { PlanLesson } from '../../rules/rule';

/** Ids of the plan's rigs that must not be fished at a water as they are: its card forbids them, or they do not hold. */
export function forbiddenRigs({ rigs }: PlanBody, { water }: PlanLesson): ReadonlySet<string> {
  const isForbidden = ({ rig }: PlanBody['rigs'][number]): boolean =>
    rigProblemsAt(rig, water).some(({ level }) => level === 'must-fix');
  return new Set(rigs.filter(isForbidden).map(({ id }) => id));
}

/**
 * The rig that a drill is fished with: one that the plan has for it, else, where those must not be fished, another rig of
 * the plan of the same template.
 *
 * @returns its id; null where the plan has no rig for the drill; `forbidden` where it has none that may be fished
 */
export function rigFor(
  { blocks, rigs }: PlanBody,
  forbidden: ReadonlySet<string>,
  drillId: string,
): string | null | 'forbidden' {
  const own = rigs.filter(({ id }) => blocks.some((one) => one.drillId === drillId && one.rigId === id));
  if (own.length === 0) return null;
  const templates = own.map(({ rig }) => rig.template);
  const alike = rigs.filter(({ rig }) => templates.includes(rig.template));
  return [...own, ...alike].find(({ id }) => !forbidden.has(id))?.id ?? 'forbidden';
}

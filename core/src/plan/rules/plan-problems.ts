import type { Curriculum } from '../../curriculum';
import { bySeverity } from '../../problem';
import { curriculumOf } from '../carried';
import type { PlanBody } from '../plan';
import { conditions } from './conditions';
import { darkBeforeEnd } from './dark-before-end';
import { guardianConsent } from './guardian-consent';
import { hookDistanceRule } from './hook-distance';
import { hookLimit } from './hook-limit';
import { kitShort } from './kit-short';
import { needs } from './needs';
import { noBreak } from './no-break';
import { noWading } from './no-wading';
import { overTime } from './over-time';
import { placeMissing } from './place-missing';
import { prerequisites } from './prerequisites';
import type { PlanLesson, PlanRule, PlanProblem } from './rule';
import { ruleCard } from './rule-card';
import { rigOfBlocks } from './rig';
import { safetyFirst } from './safety-first';
import { tooLong } from './too-long';
import { walking } from './walking';
import { waits } from './waits';
import { watched } from './watched';

const RULES: PlanRule[] = [
  guardianConsent,
  ruleCard,
  conditions,
  safetyFirst,
  overTime,
  darkBeforeEnd,
  hookLimit,
  noWading,
  hookDistanceRule,
  placeMissing,
  prerequisites,
  needs,
  rigOfBlocks,
  watched,
  waits,
  walking,
  tooLong,
  noBreak,
  kitShort,
];

/**
 * Everything the check finds wrong with a plan, worst first.
 *
 * @param lesson the day, water and students, or null for the plan alone: rules that need them then say nothing
 */
export function planProblems(
  curriculum: Curriculum,
  plan: PlanBody,
  lesson: PlanLesson | null,
): PlanProblem[] {
  const own = curriculumOf(curriculum, plan);
  return bySeverity(RULES.flatMap((rule) => rule(plan, lesson, own)));
}

import { bySeverity } from '../../problem';
import type { Rig } from '../rig';
import { barbs } from './barbs';
import { beginnerLoad } from './beginner-load';
import { breaksAboveTippet } from './breaks-above-tippet';
import { dropperRules } from './dropper-rules';
import { dropperTooThick } from './dropper-too-thick';
import { floatTooSmall } from './float-margin';
import { hinge } from './hinge';
import { indicatorPlace } from './indicator-place';
import { knotsFit } from './knots-fit';
import { methods } from './methods';
import { netTooFar } from './net-too-far';
import { noPointFly } from './no-point-fly';
import type { RigContext, RigRule, RigProblem } from './rule';
import { thinToFlyLine } from './thin-to-fly-line';
import { waterRules } from './water-rules';

const RULES: RigRule[] = [
  noPointFly,
  breaksAboveTippet,
  netTooFar,
  waterRules,
  barbs,
  methods,
  thinToFlyLine,
  knotsFit,
  dropperTooThick,
  floatTooSmall,
  hinge,
  dropperRules,
  indicatorPlace,
  beginnerLoad,
];

/** Everything the check finds wrong with a rig, worst first. */
export function rigProblems(rig: Rig, context: RigContext): RigProblem[] {
  return bySeverity(RULES.flatMap((rule) => rule(rig, context)));
}

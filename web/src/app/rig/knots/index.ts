import type { KnotId } from '@doceo/core';
import { FLY_KNOTS } from './fly-knots';
import { JOINING_KNOTS } from './joining-knots';
import { LOOP_KNOTS } from './loop-knots';
import type { KnotStep } from './rope';

/** How each knot is tied, in the order it is taught; a tapered leader has none. */
export const KNOT_STEPS: Record<Exclude<KnotId, 'tapered'>, readonly KnotStep[]> = {
  ...FLY_KNOTS,
  ...JOINING_KNOTS,
  ...LOOP_KNOTS,
};

export { arrowHead, type KnotStep, STEP_HEIGHT, STEP_WIDTH } from './rope';

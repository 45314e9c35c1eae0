import { applyEdit, blockFromDrill, emptyPlan, type PlanBody, planEnd } from '@doceo/core';

const DRILLS = ['hats-and-glasses', 'draw-the-line', 'stop-and-say', 'lay-it-down', 'wet-hands-net'];
/** A lesson is planned by the quarter of an hour. */
const STEP_MIN = 15;

export const EXAMPLE_TITLE = 'First casts';

/**
 * A short plan to start from: what any first lesson needs.
 *
 * @param groupSize students, 1 or more
 */
export function examplePlan(groupSize = 3): PlanBody {
  const plan = { ...emptyPlan(), aim: 'A straight line at seven metres, and everybody safe.', groupSize };
  const body = DRILLS.reduce<PlanBody>(
    (before, drill) =>
      applyEdit(before, {
        kind: 'add',
        block: blockFromDrill(drill, crypto.randomUUID(), planEnd(before)),
      }),
    plan,
  );
  return { ...body, lengthMin: Math.ceil(planEnd(body) / STEP_MIN) * STEP_MIN };
}

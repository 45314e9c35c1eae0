import {
  applyEdit,
  blockFromDrill,
  type Curriculum,
  type Drill,
  emptyPlan,
  type PlanBody,
  planEnd,
} from '@doceo/core';

const FIRST_DRILLS = ['hats-and-glasses', 'draw-the-line', 'stop-and-say', 'lay-it-down', 'wet-hands-net'];
/** Of another school's drills the first ones, no more than make a short lesson. */
const MAX_DRILLS = 5;
/** A lesson is planned by the quarter of an hour. */
const STEP_MIN = 15;

export const EXAMPLE_TITLE = 'First casts';

/**
 * A short plan to start from: what any first lesson needs.
 *
 * @param groupSize students, 1 or more
 */
export function examplePlan(curriculum: Curriculum, groupSize = 3): PlanBody {
  const plan = { ...emptyPlan(), aim: 'A straight line at seven metres, and everybody safe.', groupSize };
  const body = firstDrills(curriculum).reduce<PlanBody>(
    (before, drill) =>
      applyEdit(curriculum, before, {
        kind: 'add',
        block: blockFromDrill(drill, crypto.randomUUID(), planEnd(before)),
      }),
    plan,
  );
  return { ...body, lengthMin: Math.ceil(planEnd(body) / STEP_MIN) * STEP_MIN };
}

/** Those of any first lesson that are taught; where a school has none of them, its safety talk and its first drills. */
function firstDrills({ drills }: Curriculum): Drill[] {
  const usual = FIRST_DRILLS.filter(drills.has).map(drills.get);
  if (usual.length > 0) return usual;
  const bySafety = [...drills.all].sort(
    (a, b) => Number(b.strand === 'safety') - Number(a.strand === 'safety'),
  );
  return bySafety.slice(0, MAX_DRILLS);
}

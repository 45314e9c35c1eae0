import { MIN_BLOCK_MIN, type PlanB, type PlanBody, type PlanBTrigger, STEP_MIN } from './plan';
import { type PlanDay, replanTask, type ReplanReason, type ScheduleTask } from './schedule';
import { endOf, gearList, shareLane } from './timing';

/** As what the day goes on otherwise; in the cold it goes on out of the water, as when a river rises. */
const GOES_ON: Readonly<Record<PlanBTrigger, ReplanReason>> = {
  thunder: 'thunder',
  wind: 'wind',
  rising: 'rising',
  cold: 'rising',
};

/** What a plan B is asked to be. */
export interface PlanBWish extends Pick<PlanB, 'trigger' | 'fromMin'> {
  /** Whether nothing is used but what is packed for the plan. */
  sameKit?: boolean | undefined;
}

/** The task of a plan B: what comes before it leaves the plan stays, what comes then is done on other grounds. */
export function planBTask(
  plan: PlanBody,
  { trigger, fromMin, sameKit = false }: PlanBWish,
  day: PlanDay,
): ScheduleTask {
  const { lengthMin: toMin } = plan;
  const water = { fromMin, toMin, grounds: ['river', 'stillwater'] as const };
  const task = replanTask(
    plan,
    { why: GOES_ON[trigger], nowMin: fromMin, placeMin: fromMin - 1 },
    { ...day, closed: trigger === 'cold' ? [...day.closed, water] : day.closed },
  );
  const weights = { ...task.weights, attention: 1 };
  if (!sameKit) return { ...task, weights };
  const packed = new Set(gearList(day.curriculum, { ...plan, planB: undefined }).map(({ item }) => item));
  const { drills } = task.curriculum;
  const drillIds = (task.drillIds ?? drills.all.map(({ id }) => id)).filter((id) =>
    drills.find(id)?.gear.every(({ item }) => packed.has(item)),
  );
  return { ...task, weights, drillIds };
}

/** The plan B that a plan of its task holds. */
export function planBOf(
  { trigger, fromMin }: Pick<PlanB, 'trigger' | 'fromMin'>,
  { blocks }: PlanBody,
): PlanB {
  return { trigger, fromMin, blocks: blocks.filter(({ startMin }) => startMin >= fromMin) };
}

/**
 * The plan as it goes on by its plan B: what is on ends where the other begins, and what no longer fits until the end is
 * shorter or left out. A plan without a plan B goes on as it is.
 *
 * @param atMin when it leaves, minutes from the start; as it was planned when left out
 */
export function onPlanB(plan: PlanBody, atMin = plan.planB?.fromMin ?? 0): PlanBody {
  const { planB, lengthMin } = plan;
  if (!planB) return plan;
  const later = Math.ceil(atMin / STEP_MIN) * STEP_MIN - planB.fromMin;
  const after = planB.blocks.flatMap((block) => {
    const startMin = block.startMin + later;
    const durationMin = Math.min(block.durationMin, lengthMin - startMin);
    return durationMin >= MIN_BLOCK_MIN ? [{ ...block, startMin, durationMin }] : [];
  });
  const before = plan.blocks.flatMap((block) => {
    if (block.startMin >= planB.fromMin + later) return [];
    const next = after.filter((other) => shareLane(block, other)).map(({ startMin }) => startMin);
    const durationMin = Math.min(endOf(block), ...next) - block.startMin;
    return durationMin >= MIN_BLOCK_MIN ? [{ ...block, durationMin }] : [];
  });
  // What was begun and goes on in the other plan keeps its name in the records only once.
  const begun = new Set(before.map(({ id }) => id));
  return { ...plan, blocks: [...before, ...after.filter(({ id }) => !begun.has(id))] };
}

import type { PlanBTrigger } from '@doceo/core';

/** What brings a plan B in, as one chooses it. */
export const PLAN_B_NAMES: Record<PlanBTrigger, string> = {
  thunder: 'thunder',
  wind: 'wind',
  rising: 'rising river',
  cold: 'cold',
};

const WHEN: Record<PlanBTrigger, string> = {
  thunder: 'at the first thunder, and not out again until the wait after the last one is over',
  wind: 'when gusts make casting a danger',
  rising: 'when the river rises or clouds',
  cold: 'when somebody is cold',
};

/** When a plan B is turned to. */
export function planBWhen(trigger: PlanBTrigger): string {
  return WHEN[trigger];
}

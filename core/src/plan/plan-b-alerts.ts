import type { AlertKind } from '../conditions';
import type { PlanBTrigger } from './plan';

/** What of the conditions brings a plan B in. */
export const PLAN_B_ALERTS: Readonly<Record<PlanBTrigger, readonly AlertKind[]>> = {
  thunder: ['thunder'],
  wind: ['windy'],
  rising: ['rising'],
  cold: ['cold-wading', 'ice'],
};

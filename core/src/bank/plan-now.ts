import type { PlanBody } from '../plan';
import type { BankEvent } from './event';
import { activeEvents } from './log';

/** The plan of a lesson as it goes on now: as it was planned, or as it was planned anew last on the water. */
export function planNow<T extends PlanBody>(plan: T, events: readonly BankEvent[]): T {
  const last = activeEvents(events).findLast(({ body }) => body.kind === 'replan')?.body;
  return last?.kind === 'replan' ? { ...plan, blocks: [...last.blocks] } : plan;
}

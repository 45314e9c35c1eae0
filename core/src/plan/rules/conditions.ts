import { conditionAlerts } from '../../conditions';
import { planEnd } from '../timing';
import type { PlanRule } from './rule';

const MINUTE_MS = 60_000;

/** What the conditions of the lesson's hours say against it. Says nothing when no conditions are known. */
export const conditions: PlanRule = (plan, lesson) => {
  if (!lesson?.hours?.length) return [];
  const { water, startMs } = lesson;
  const toMs = startMs + Math.max(planEnd(plan), plan.lengthMin) * MINUTE_MS;
  const from = { simulated: lesson.hoursSimulated ?? false, readings: lesson.readings ?? [] };
  return conditionAlerts(lesson.hours, water, { fromMs: startMs, toMs }, from).map((alert) => ({
    id: `conditions-${alert.kind}`,
    rule: 'conditions' as const,
    level: alert.level,
    facts: { alert, timeZone: water.timeZone, source: lesson.hoursFrom ?? null },
    blockIds: [],
    studentId: null,
    fixes: [],
  }));
};

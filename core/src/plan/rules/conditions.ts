import { type AlertKind, type ConditionAlert, conditionAlerts, HOUR_MS } from '../../conditions';
import type { Curriculum } from '../../curriculum';
import { groundOf } from '../../water';
import { drillOf } from '../carried';
import type { Block } from '../plan';
import { planEnd } from '../timing';
import type { PlanRule } from './rule';
import { weatherFixes } from './weather-fixes';

const MINUTE_MS = 60_000;

/** Line out from which a wind that is too much for beginners is felt in a drill, metres. A rule of thumb. */
const WIND_LINE_M = 6;

/** Whether a block is one that such a thing is about; what is not here is of the whole day. */
const ABOUT: Partial<Record<AlertKind, (block: Block, curriculum: Curriculum) => boolean>> = {
  thunder: ({ place }) => groundOf(place) !== 'anywhere',
  rising: ({ place }) => groundOf(place) === 'river',
  windy: (block, curriculum) => (drillOf(curriculum, block)?.lineOutM ?? 0) > WIND_LINE_M,
};

/** Whether a block is one that an alert is about, and would lie in its hours if it began so many minutes in. */
function touches(
  { kind, fromMs, toMs }: ConditionAlert,
  block: Block,
  startMin: number,
  startMs: number,
  curriculum: Curriculum,
): boolean {
  const fromBlockMs = startMs + startMin * MINUTE_MS;
  const toBlockMs = fromBlockMs + block.durationMin * MINUTE_MS;
  const half = HOUR_MS / 2;
  const isThen = fromBlockMs < toMs + half && toBlockMs > fromMs - half;
  return isThen && (ABOUT[kind]?.(block, curriculum) ?? false);
}

/** What the conditions of the lesson's hours say against it. Says nothing when no conditions are known. */
export const conditions: PlanRule = (plan, lesson, curriculum) => {
  if (!lesson?.hours?.length) return [];
  const { water, startMs } = lesson;
  const toMs = startMs + Math.max(planEnd(plan), plan.lengthMin) * MINUTE_MS;
  const from = { simulated: lesson.hoursSimulated ?? false, readings: lesson.readings ?? [] };
  return conditionAlerts(lesson.hours, water, { fromMs: startMs, toMs }, from).map((alert) => {
    const isTouched = (block: Block, startMin: number): boolean =>
      touches(alert, block, startMin, startMs, curriculum);
    const touched = plan.blocks.filter((block) => isTouched(block, block.startMin));
    return {
      id: `conditions-${alert.kind}`,
      rule: 'conditions' as const,
      level: alert.level,
      facts: { alert, timeZone: water.timeZone, source: lesson.hoursFrom ?? null },
      blockIds: touched.map(({ id }) => id),
      studentId: null,
      fixes: alert.level === 'tip' ? [] : weatherFixes(alert, plan, lesson, touched, isTouched, curriculum),
    };
  });
};

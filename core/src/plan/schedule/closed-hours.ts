import { type AlertKind, conditionAlerts } from '../../conditions';
import { sunTimes } from '../../sun';
import type { GroundKind } from '../../water';
import type { PlanBody } from '../plan';
import type { PlanLesson } from '../rules/rule';
import type { Closed } from './task';

const MINUTE_MS = 60_000;
const OUTSIDE: readonly GroundKind[] = ['grass', 'river', 'stillwater'];

/** Grounds that are left while such a thing is on. What is not here closes none. */
const CLOSES: Partial<Record<AlertKind, readonly GroundKind[]>> = {
  thunder: OUTSIDE,
  rising: ['river'],
  ice: ['stillwater'],
};

/**
 * The stretches of a lesson in which nothing is done on some grounds: what its conditions forbid, by a real forecast or a
 * reading and never by a stand-in, and the dark. Each from and to in minutes from the start of the lesson.
 */
export function closedHours(plan: Pick<PlanBody, 'lengthMin'>, lesson: PlanLesson): Closed[] {
  const { startMs, water, hours = [], hoursSimulated = false, readings = [] } = lesson;
  const within = { fromMs: startMs, toMs: startMs + plan.lengthMin * MINUTE_MS };
  const minute = (ms: number): number => Math.round((ms - startMs) / MINUTE_MS);
  const alerts = conditionAlerts(hours, water, within, { simulated: hoursSimulated, readings });
  const weather = alerts.flatMap(({ kind, level, from, fromMs, toMs }): Closed[] => {
    const grounds = CLOSES[kind];
    if (!grounds || level !== 'must-fix' || from === 'simulated') return [];
    return [{ fromMin: minute(fromMs), toMin: minute(toMs), grounds }];
  });
  return [...weather, ...dark(plan, lesson)].flatMap(({ fromMin, toMin, grounds }) => {
    const [from, to] = [Math.max(0, fromMin), Math.min(plan.lengthMin, toMin)];
    return to > from ? [{ fromMin: from, toMin: to, grounds }] : [];
  });
}

/** Before first light and after last light nothing is done outside. */
function dark({ lengthMin }: Pick<PlanBody, 'lengthMin'>, { startMs, water, date }: PlanLesson): Closed[] {
  const { latitude, longitude } = water;
  if (latitude === null || longitude === null || date === '') return [];
  const { dawnMs, duskMs } = sunTimes(latitude, longitude, Date.parse(`${date}T12:00:00Z`));
  return [
    ...(dawnMs === null ? [] : [{ fromMin: 0, toMin: (dawnMs - startMs) / MINUTE_MS, grounds: OUTSIDE }]),
    ...(duskMs === null
      ? []
      : [{ fromMin: (duskMs - startMs) / MINUTE_MS, toMin: lengthMin, grounds: OUTSIDE }]),
  ];
}

import { type ConditionAlert, conditionAlerts } from '../../conditions';
import type { Curriculum } from '../../curriculum';
import { sunTimes } from '../../sun';
import { groundOf } from '../../water';
import { PLAN_B_ALERTS } from '../plan-b-alerts';
import { type Block, PLAN_B_TRIGGERS, type PlanBody } from '../plan';
import { planEnd, strandOf } from '../timing';
import type { PlanLesson, PlanProblem } from './rule';

const MINUTE_MS = 60_000;
/** A lesson is moved by so many minutes at a time, and by so many at the most. */
const STEP_MIN = 15;
const MOST_MIN = 240;

type Fixes = PlanProblem['fixes'];

/**
 * What can be done about weather in the hours of a lesson: begin when it is over or end before it comes, do then what it
 * does not touch, or have something ready that is done instead.
 *
 * @param touched blocks it is about, at the hours they have now
 * @param isTouched whether a block would be touched if it began so many minutes into the lesson
 */
export function weatherFixes(
  alert: ConditionAlert,
  plan: PlanBody,
  lesson: PlanLesson,
  touched: readonly Block[],
  isTouched: (block: Block, startMin: number) => boolean,
  curriculum: Curriculum,
): Fixes {
  return [
    ...moves(alert, plan, lesson),
    ...swaps(plan, touched, isTouched, curriculum),
    ...planB(alert, plan, lesson, touched),
  ];
}

/** The nearest hour of that day at which it is light and nothing of the kind is there; earlier before later. */
function moves({ kind }: ConditionAlert, plan: PlanBody, lesson: PlanLesson): Fixes {
  const { hours = [], water, startMs } = lesson;
  const lengthMs = Math.max(planEnd(plan), plan.lengthMin) * MINUTE_MS;
  const from = { simulated: lesson.hoursSimulated ?? false, readings: lesson.readings ?? [] };
  const isFree = (fromMs: number): boolean => {
    const within = { fromMs, toMs: fromMs + lengthMs };
    return (
      isLight(lesson, within.fromMs, within.toMs) &&
      !conditionAlerts(hours, water, within, from).some((one) => one.kind === kind)
    );
  };
  for (let byMin = STEP_MIN; byMin <= MOST_MIN; byMin += STEP_MIN) {
    if (isFree(startMs - byMin * MINUTE_MS))
      return [{ does: { earlierMin: byMin }, change: { kind: 'start', byMin: -byMin } }];
    if (isFree(startMs + byMin * MINUTE_MS))
      return [{ does: { laterMin: byMin }, change: { kind: 'start', byMin } }];
  }
  return [];
}

/** Whether the sun is up all the time; nobody knows where nobody said where the water lies, and then it is left alone. */
function isLight(
  { water: { latitude, longitude }, date }: PlanLesson,
  fromMs: number,
  toMs: number,
): boolean {
  if (latitude === null || longitude === null) return false;
  const { sunriseMs, sunsetMs } = sunTimes(latitude, longitude, Date.parse(`${date}T12:00:00Z`));
  return sunriseMs !== null && sunsetMs !== null && fromMs >= sunriseMs && toMs <= sunsetMs;
}

/** Two blocks of the same students and length change places, so that neither is touched where it comes to stand. */
function swaps(
  plan: PlanBody,
  touched: readonly Block[],
  isTouched: (block: Block, startMin: number) => boolean,
  curriculum: Curriculum,
): Fixes {
  const isFree = (block: Block): boolean => !block.locked && strandOf(curriculum, block) !== 'safety';
  for (const block of touched.filter(isFree)) {
    const other = plan.blocks.find(
      (one) =>
        isFree(one) &&
        one.kind === block.kind &&
        one.lane === block.lane &&
        one.durationMin === block.durationMin &&
        !isTouched(one, block.startMin) &&
        !isTouched(block, one.startMin),
    );
    if (!other) continue;
    const gone = [block, other].map(({ id: blockId }) => ({ kind: 'remove' as const, blockId }));
    const come = [
      { ...block, startMin: other.startMin },
      { ...other, startMin: block.startMin },
    ].map((one) => ({ kind: 'add' as const, block: one }));
    return [
      {
        does: { swaps: [block.title, other.title] },
        change: { kind: 'edit', edit: { kind: 'all', edits: [...gone, ...come] } },
      },
    ];
  }
  return [];
}

/** A plan B that is ready before the weather is; none where the plan has one for it. */
function planB(
  { kind, fromMs }: ConditionAlert,
  plan: PlanBody,
  { startMs }: PlanLesson,
  touched: readonly Block[],
): Fixes {
  const trigger = PLAN_B_TRIGGERS.find((one) => PLAN_B_ALERTS[one].includes(kind));
  // Cold is of the whole day: what it leaves is the water.
  const left =
    trigger === 'cold'
      ? plan.blocks.filter(({ place }) => ['river', 'stillwater'].includes(groundOf(place)))
      : touched;
  if (!trigger || plan.planB?.trigger === trigger || left.length === 0) return [];
  const first = Math.min(...left.map(({ startMin }) => startMin));
  const fromMin = Math.max(first, Math.round((fromMs - startMs) / MINUTE_MS));
  return [{ does: { planB: trigger }, change: { kind: 'plan-b', trigger, fromMin } }];
}

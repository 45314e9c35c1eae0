import {
  type ConditionHour,
  type ConditionReading,
  lessonWindows,
  type Stretch,
  type WindowReason,
} from '../conditions';
import type { Curriculum } from '../curriculum';
import { sunTimes } from '../sun';
import { isClosed, isStill, type Water } from '../water';
import type { PlanBody } from './plan';
import { type PlanProblem, planProblems, type PlanStudent } from './rules';
import { planEnd } from './timing';

/** A day at a water on which a plan might be taught. */
export interface DayOption {
  waterId: string;
  water: Water;
  /** ISO date at the water. */
  date: string;
  /** From when to when somebody would teach there that day, epoch milliseconds; the light bounds it further. */
  open: Stretch;
  /** Hourly conditions of the day; none when they are not known. */
  hours: readonly ConditionHour[];
  /** Who says so. */
  source: string | null;
  /** Whether a stand-in says so: its weather stops nothing. */
  simulated: boolean;
  readings: readonly ConditionReading[];
}

/** Why a day at a water has no hours for a lesson. */
export const NO_HOURS = ['unknown-place', 'unknown-weather', 'too-dark', 'busy', 'closed-season'] as const;
export type NoHours = (typeof NO_HOURS)[number];

/**
 * What makes a day for a plan: nothing in the conditions that stops or warns, wind, warmth of the water, no rain, light to
 * spare before and after, and how the plan fits the water and its rules.
 */
export const DAY_PARTS = ['alerts', 'wind', 'warmth', 'dry', 'light', 'plan'] as const;
/** Each 0…1; a day is worth their geometric mean. */
export type DayParts = Record<(typeof DAY_PARTS)[number], number>;

export interface RankedDay {
  waterId: string;
  date: string;
  /** The best hours for the lesson; null where there are none. */
  hours: Stretch | null;
  why: NoHours | null;
  /** 0…1; 0 where there are no hours or something stops a lesson. */
  score: number;
  parts: DayParts | null;
  /** What speaks for and against the hours, worst first. */
  reasons: WindowReason[];
  /** What the check of the plan finds there and then, but for the weather. */
  problems: PlanProblem[];
}

const MINUTE_MS = 60_000;
/** So many of the best hours of a day are looked at with the plan. */
const LOOKED_AT = 3;
/** Light to spare at both ends with which nobody hurries, minutes. A rule of thumb. */
const SPARE_MIN = 60;
/** Between two lessons one eats, dries and drives, minutes. A rule of thumb. */
const BETWEEN_MIN = 60;
/** What a fault of the plan leaves of its part. */
const FAULT_SHARE = { 'must-fix': 0.6, check: 0.9, tip: 1 };
/** What is left where the plan is for another kind of water. */
const OTHER_WATER_SHARE = 0.5;
/** No part but a stop makes nothing of a day. */
const LEAST_PART = 0.05;

/**
 * Days at waters for a plan, the best first: the hours of each that suit best, by light, weather, and what the check of the
 * plan finds then and there. Days without hours for it come last, each with why.
 *
 * @param students none when nobody is named yet
 * @param busy when the instructor is not free
 */
export function rankDays(
  curriculum: Curriculum,
  plan: PlanBody,
  students: readonly PlanStudent[],
  options: readonly DayOption[],
  busy: readonly Stretch[] = [],
): RankedDay[] {
  return options
    .map((option) => rankDay(curriculum, plan, students, option, busy))
    .sort(
      (a, b) =>
        b.score - a.score ||
        Number(a.hours === null) - Number(b.hours === null) ||
        a.date.localeCompare(b.date) ||
        a.waterId.localeCompare(b.waterId),
    );
}

function rankDay(
  curriculum: Curriculum,
  plan: PlanBody,
  students: readonly PlanStudent[],
  option: DayOption,
  busy: readonly Stretch[],
): RankedDay {
  const { waterId, water, date, hours, simulated, readings } = option;
  const none = (why: NoHours): RankedDay => ({
    ...{ waterId, date, why, hours: null, score: 0, parts: null, reasons: [], problems: [] },
  });
  const { latitude, longitude } = water;
  if (latitude === null || longitude === null) return none('unknown-place');
  if (isClosed(water.rules, date)) return none('closed-season');
  if (hours.length === 0) return none('unknown-weather');
  const { dawnMs, duskMs } = sunTimes(latitude, longitude, Date.parse(`${date}T12:00:00Z`));
  if (dawnMs === null || duskMs === null) return none('too-dark');
  const light = { fromMs: dawnMs, toMs: duskMs };
  const open = {
    fromMs: Math.max(dawnMs, option.open.fromMs),
    toMs: Math.min(duskMs, option.open.toMs),
  };
  const lengthMin = Math.max(plan.lengthMin, planEnd(plan));
  const all = lessonWindows(hours, water, open, lengthMin, { simulated, readings });
  if (all.length === 0) return none('too-dark');
  const gapMs = BETWEEN_MIN * MINUTE_MS;
  const free = all.filter(
    ({ fromMs, toMs }) => !busy.some((one) => one.fromMs < toMs + gapMs && one.toMs > fromMs - gapMs),
  );
  if (free.length === 0) return none('busy');
  const looked = free.slice(0, LOOKED_AT).map((window): RankedDay => {
    const problems = planProblems(curriculum, plan, {
      ...{ startMs: window.fromMs, date, water, hours, hoursSimulated: simulated, readings },
      students: [...students],
    }).filter(({ rule }) => rule !== 'conditions');
    const parts = {
      ...window.parts,
      light: spareShare(window, light),
      plan: planShare(plan, water, problems),
    };
    const values = Object.values(parts);
    const score = values.reduce((product, value) => product * value, 1) ** (1 / values.length);
    const { fromMs, toMs, reasons } = window;
    return { waterId, date, hours: { fromMs, toMs }, why: null, score, parts, reasons, problems };
  });
  return looked.reduce((best, one) => (one.score > best.score ? one : best));
}

function spareShare(window: Stretch, light: Stretch): number {
  const spareMin = Math.min(window.fromMs - light.fromMs, light.toMs - window.toMs) / MINUTE_MS;
  return Math.min(1, Math.max(LEAST_PART, spareMin / SPARE_MIN));
}

function planShare(plan: PlanBody, water: Water, problems: readonly PlanProblem[]): number {
  const isOther = plan.waterKind !== 'any' && isStill(plan.waterKind) !== isStill(water.kind);
  const share = problems.reduce((left, { level }) => left * FAULT_SHARE[level], 1);
  return Math.max(LEAST_PART, share * (isOther ? OTHER_WATER_SHARE : 1));
}

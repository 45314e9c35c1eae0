import { CHOP, COMFORT, isStill, SPECIES, type Water } from '../water';
import { type ConditionAlert, conditionAlerts, type HoursFrom, type Stretch } from './alerts';
import { type ConditionHour, HOUR_MS } from './hour';

/** A stretch of a day for a lesson, with the parts of its score, each 0…1. */
export interface LessonWindow extends Stretch {
  parts: {
    /** Nothing in the conditions that stops or warns. */
    alerts: number;
    /** Little wind on a river; on still water a light chop. */
    wind: number;
    /** Water temperature fish feed at. */
    warmth: number;
    dry: number;
  };
  score: number;
  /** What speaks for and against it, worst first. */
  reasons: WindowReason[];
}

/** What speaks for or against a window: an alert of its hours, or what its mean hour is like. */
export type WindowReason =
  | Pick<ConditionAlert, 'kind' | 'still'>
  | 'cold-water'
  | 'warm-water'
  | 'little-wind'
  | 'light-chop'
  | 'dry';

const STEP_MS = HOUR_MS / 2;
const ALERT_SHARE = { 'must-fix': 0, check: 0.55, tip: 0.85 };
/** On a river from a light air to a wind beginners cannot cast in, m/s. Rules of thumb. */
const CALM_MS = 2;
const WINDY_MS = 9;
/** What glass is worth on still water, against a light chop; and how far above that wind nothing is left, m/s. */
const GLASS_SHARE = 0.2;
const BEYOND_ROUGH_MS = 4;
/** How many degrees beyond the best temperatures fish hardly feed. Rule of thumb. */
const OFF_C = 8;
const WET_MM = 4;

/**
 * Every stretch of a lesson's length within the light, the best first. One with a stop in it scores nothing and is told
 * with its reason all the same.
 *
 * @param light no window when there is none: polar night
 * @param hoursFrom weather of a stand-in stops nothing
 */
export function lessonWindows(
  hours: readonly ConditionHour[],
  water: Pick<Water, 'kind' | 'species'>,
  light: Stretch | null,
  lengthMin: number,
  hoursFrom?: HoursFrom,
): LessonWindow[] {
  if (!light) return [];
  const lengthMs = lengthMin * 60_000;
  const first = Math.ceil(light.fromMs / STEP_MS) * STEP_MS;
  const windows: LessonWindow[] = [];
  for (let fromMs = first; fromMs + lengthMs <= light.toMs; fromMs += STEP_MS) {
    const window = windowOf(hours, water, { fromMs, toMs: fromMs + lengthMs }, hoursFrom);
    if (window) windows.push(window);
  }
  return windows.sort((a, b) => b.score - a.score || a.fromMs - b.fromMs);
}

function windowOf(
  hours: readonly ConditionHour[],
  water: Pick<Water, 'kind' | 'species'>,
  within: Stretch,
  hoursFrom?: HoursFrom,
): LessonWindow | null {
  const inside = hours.filter(
    ({ atMs }) => atMs + HOUR_MS / 2 > within.fromMs && atMs - HOUR_MS / 2 < within.toMs,
  );
  if (inside.length === 0) return null;
  const mean = (of: (hour: ConditionHour) => number): number =>
    inside.reduce((sum, hour) => sum + of(hour), 0) / inside.length;
  const found = conditionAlerts(hours, water, within, hoursFrom);
  const windMs = mean((hour) => hour.windMs);
  const waterC = mean((hour) => hour.waterC);
  const rainMm = Math.max(...inside.map((hour) => hour.rainMm));
  const best = (water.species.length > 0 ? water.species : SPECIES).map((one) => COMFORT[one]);
  // Between the ranges of all that live here somebody feeds.
  const [fromC, toC] = [Math.min(...best.map((one) => one.fromC)), Math.max(...best.map((one) => one.toC))];
  const off = Math.max(fromC - waterC, waterC - toC, 0);
  const parts = {
    alerts: found.reduce((share, { level }) => share * ALERT_SHARE[level], 1),
    wind: clamp(isStill(water.kind) ? chopShare(windMs) : 1 - (windMs - CALM_MS) / (WINDY_MS - CALM_MS)),
    warmth: clamp(1 - off / OFF_C),
    dry: clamp(1 - rainMm / WET_MM),
  };
  const values = Object.values(parts);
  return {
    ...within,
    parts,
    score: values.reduce((product, value) => product * value, 1) ** (1 / values.length),
    reasons: [
      ...found.map(({ kind: alert, still }) => ({ kind: alert, still })),
      ...(off > 0 ? [waterC < fromC ? ('cold-water' as const) : ('warm-water' as const)] : []),
      ...(isStill(water.kind)
        ? windMs >= CHOP.lightMs && windMs <= CHOP.roughMs
          ? ['light-chop' as const]
          : []
        : windMs <= CALM_MS
          ? ['little-wind' as const]
          : []),
      ...(rainMm === 0 ? ['dry' as const] : []),
    ],
  };
}

/** What a wind is worth on still water: glass is hardest, a light chop best, above it boats and casts suffer. */
function chopShare(windMs: number): number {
  if (windMs > CHOP.roughMs) return 1 - (windMs - CHOP.roughMs) / BEYOND_ROUGH_MS;
  if (windMs >= CHOP.lightMs) return 1;
  const ripple = Math.max(0, windMs - CHOP.glassMs) / (CHOP.lightMs - CHOP.glassMs);
  return GLASS_SHARE + (1 - GLASS_SHARE) * ripple;
}

/** Kept off zero: only a stop makes nothing of a window. */
function clamp(value: number): number {
  return Math.min(1, Math.max(0.05, value));
}

import { COLD_WATER_C } from '../safety';
import { COMFORT, type WaterKind } from '../water';
import { type ConditionHour, HOUR_MS, levelTrend } from './hour';

export const ALERT_KINDS = [
  'thunder',
  'rising',
  'too-warm',
  'windy',
  'glass',
  'cold-wading',
  'ice',
  'heavy-rain',
] as const;
export type AlertKind = (typeof ALERT_KINDS)[number];

/** Something in the conditions of a stretch of time that one must know. */
export interface ConditionAlert {
  kind: AlertKind;
  level: 'stop' | 'mind' | 'note';
  /** Of a lake or pond: wind and ice mean something else there. */
  still: boolean;
  /** First and last hour it holds, epoch milliseconds. */
  fromMs: number;
  toMs: number;
  /** The figure that speaks, in SI: chance, metres, °C, m/s, mm. */
  worst: number;
}

/** Chance of thunder from which a lesson is not begun. Any thunder heard ends it, whatever stands here. */
const THUNDER_STOP = 0.3;
const THUNDER_MIND = 0.1;
/** Wind from which beginners cannot cast, and on a lake the one for small craft. Rules of thumb. */
const WINDY_MS = 9;
const CRAFT_MS = 7;
/** Below this a lake lies like glass: the hardest light to fish in. */
const GLASS_MS = 0.8;
const HEAVY_RAIN_MM = 4;
/** Still water this cold may carry ice, and so may the stones of a bank when it freezes. Rules of thumb. */
const ICE_WATER_C = 2;
const FROST_C = 0;

/** A stretch of time, epoch milliseconds. */
export interface Stretch {
  fromMs: number;
  toMs: number;
}

/**
 * What must be known of a stretch of time, worst first.
 *
 * @param hours may begin before the stretch: whether a river rises is seen from the hours before
 * @param within all hours when left out
 */
export function conditionAlerts(
  hours: readonly ConditionHour[],
  kind: WaterKind,
  within: Stretch = { fromMs: -Infinity, toMs: Infinity },
): ConditionAlert[] {
  const still = kind === 'lake' || kind === 'pond';
  const warm = Math.min(...Object.values(COMFORT).map(({ stopC }) => stopC));
  const alert = (
    value: (hour: ConditionHour, index: number) => number,
    least: number,
    tell: Tell,
  ): ConditionAlert | null => alertOf(hours, within, value, least, (worst) => ({ ...tell(worst), still }));
  const found: (ConditionAlert | null)[] = [
    alert(
      ({ thunder }) => thunder,
      THUNDER_MIND,
      (worst) => ({
        kind: 'thunder',
        level: worst >= THUNDER_STOP ? 'stop' : 'mind',
      }),
    ),
    still
      ? null
      : alert(
          (_, index) => (levelTrend(hours, index) === 'rising' ? (hours[index]?.levelM ?? 0) : -1),
          0,
          () => ({
            kind: 'rising',
            level: 'stop',
          }),
        ),
    alert(
      ({ waterC }) => waterC,
      warm,
      (worst) => ({
        kind: 'too-warm',
        level: worst >= warm + 2 ? 'stop' : 'mind',
      }),
    ),
    alert(
      ({ windMs }) => windMs,
      still ? CRAFT_MS : WINDY_MS,
      () => ({
        kind: 'windy',
        level: 'mind',
      }),
    ),
    still
      ? alert(
          ({ windMs }) => -windMs,
          -GLASS_MS,
          () => ({
            kind: 'glass',
            level: 'note',
          }),
        )
      : alert(
          ({ waterC }) => -waterC,
          -COLD_WATER_C,
          () => ({
            kind: 'cold-wading',
            level: 'mind',
          }),
        ),
    still
      ? alert(
          ({ waterC }) => -waterC,
          -ICE_WATER_C,
          () => ({
            kind: 'ice',
            level: 'stop',
          }),
        )
      : alert(
          ({ airC }) => -airC,
          -FROST_C,
          () => ({
            kind: 'ice',
            level: 'mind',
          }),
        ),
    alert(
      ({ rainMm }) => rainMm,
      HEAVY_RAIN_MM,
      () => ({
        kind: 'heavy-rain',
        level: 'note',
      }),
    ),
  ];
  const order = { stop: 0, mind: 1, note: 2 };
  return found.flatMap((one) => one ?? []).sort((a, b) => order[a.level] - order[b.level]);
}

type Tell = (worst: number) => Pick<ConditionAlert, 'kind' | 'level'>;

function alertOf(
  hours: readonly ConditionHour[],
  { fromMs, toMs }: Stretch,
  value: (hour: ConditionHour, index: number) => number,
  least: number,
  tell: (worst: number) => Pick<ConditionAlert, 'kind' | 'level' | 'still'>,
): ConditionAlert | null {
  const there = hours
    .map((hour, index) => ({ hour, value: value(hour, index) }))
    .filter(({ hour, value: found }) => {
      const inside = hour.atMs + HOUR_MS / 2 >= fromMs && hour.atMs - HOUR_MS / 2 <= toMs;
      return inside && found >= least;
    });
  const [first, last] = [there[0], there.at(-1)];
  if (!first || !last) return null;
  const worst = Math.max(...there.map((one) => one.value));
  return { ...tell(worst), fromMs: first.hour.atMs, toMs: last.hour.atMs, worst: Math.abs(worst) };
}

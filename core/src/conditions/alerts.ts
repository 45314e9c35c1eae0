import { COLD_WATER_C } from '../safety';
import type { Origin } from '../origin';
import { bySeverity } from '../problem';
import { CHOP, isStill, stopTemperature, type Water } from '../water';
import { type ConditionHour, HOUR_MS, levelTrend } from './hour';
import { type ConditionReading, lastsTo, type ReadingKind } from './readings';

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
  level: 'must-fix' | 'check' | 'tip';
  /** Of a lake or pond: wind and ice mean something else there. */
  still: boolean;
  /** Foretold by a service, read by somebody at the water, or made up by a stand-in; the last stops nothing. */
  from: Extract<Origin, 'measured' | 'computed' | 'simulated'>;
  /** First and last hour it holds, epoch milliseconds. */
  fromMs: number;
  toMs: number;
  /** The figure that speaks, in SI: chance, metres, °C, m/s, mm. */
  worst: number;
}

/** Chance of thunder from which a lesson is not begun. Any thunder heard ends it, whatever stands here. */
const THUNDER_STOP = 0.3;
const THUNDER_MIND = 0.1;
/** Wind from which beginners cannot cast over a river. Rule of thumb. */
const WINDY_MS = 9;
const HEAVY_RAIN_MM = 4;
/** Still water this cold may carry ice, and so may the stones of a bank when it freezes. Rules of thumb. */
const ICE_WATER_C = 2;
const FROST_C = 0;

/** What of the readings speaks for or against an alert. */
const READ_OF: Record<AlertKind, readonly ReadingKind[]> = {
  thunder: [],
  rising: ['levelM'],
  'too-warm': ['waterC'],
  windy: ['windMs'],
  glass: ['windMs'],
  'cold-wading': ['waterC'],
  ice: ['waterC', 'airC'],
  'heavy-rain': ['rainMm'],
};

/** Where the hours are from: whether a stand-in made them up, and what was read at the water. */
export interface HoursFrom {
  simulated: boolean;
  readings: readonly ConditionReading[];
}

/** A stretch of time, epoch milliseconds. */
export interface Stretch {
  fromMs: number;
  toMs: number;
}

/**
 * What must be known of a stretch of time, worst first. Weather that is made up by a stand-in is a thing to check and never
 * a stop, but where somebody read it.
 *
 * @param hours may begin before the stretch: whether a river rises is seen from the hours before
 * @param within all hours when left out
 */
export function conditionAlerts(
  hours: readonly ConditionHour[],
  water: Pick<Water, 'kind' | 'species'>,
  within: Stretch = { fromMs: -Infinity, toMs: Infinity },
  hoursFrom: HoursFrom = { simulated: false, readings: [] },
): ConditionAlert[] {
  const still = isStill(water.kind);
  const warm = stopTemperature(water.species);
  const alert = (
    value: (hour: ConditionHour, index: number) => number,
    least: number,
    tell: Tell,
  ): Omit<ConditionAlert, 'from'> | null =>
    alertOf(hours, within, value, least, (worst) => ({ ...tell(worst), still }));
  const found: (Omit<ConditionAlert, 'from'> | null)[] = [
    alert(
      ({ thunder }) => thunder,
      THUNDER_MIND,
      (worst) => ({
        kind: 'thunder',
        level: worst >= THUNDER_STOP ? 'must-fix' : 'check',
      }),
    ),
    still
      ? null
      : alert(
          (_, index) => (levelTrend(hours, index) === 'rising' ? (hours[index]?.levelM ?? 0) : -1),
          0,
          () => ({
            kind: 'rising',
            level: 'must-fix',
          }),
        ),
    alert(
      ({ waterC }) => waterC,
      warm,
      (worst) => ({
        kind: 'too-warm',
        level: worst >= warm + 2 ? 'must-fix' : 'check',
      }),
    ),
    alert(
      ({ windMs }) => windMs,
      still ? CHOP.roughMs : WINDY_MS,
      () => ({
        kind: 'windy',
        level: 'check',
      }),
    ),
    still
      ? alert(
          ({ windMs }) => -windMs,
          -CHOP.glassMs,
          () => ({
            kind: 'glass',
            level: 'tip',
          }),
        )
      : alert(
          ({ waterC }) => -waterC,
          -COLD_WATER_C,
          () => ({
            kind: 'cold-wading',
            level: 'check',
          }),
        ),
    still
      ? alert(
          ({ waterC }) => -waterC,
          -ICE_WATER_C,
          () => ({
            kind: 'ice',
            level: 'must-fix',
          }),
        )
      : alert(
          ({ airC }) => -airC,
          -FROST_C,
          () => ({
            kind: 'ice',
            level: 'check',
          }),
        ),
    alert(
      ({ rainMm }) => rainMm,
      HEAVY_RAIN_MM,
      () => ({
        kind: 'heavy-rain',
        level: 'tip',
      }),
    ),
  ];
  return bySeverity(found.flatMap((one) => (one ? [asFrom(one, hoursFrom)] : [])));
}

function asFrom(alert: Omit<ConditionAlert, 'from'>, { simulated, readings }: HoursFrom): ConditionAlert {
  const isRead = readings.some(
    ({ what, atMs }) => READ_OF[alert.kind].includes(what) && lastsTo(atMs, alert.fromMs, alert.toMs),
  );
  if (isRead) return { ...alert, from: 'measured' };
  if (!simulated) return { ...alert, from: 'computed' };
  return { ...alert, level: alert.level === 'must-fix' ? 'check' : alert.level, from: 'simulated' };
}

type Tell = (worst: number) => Pick<ConditionAlert, 'kind' | 'level'>;

function alertOf(
  hours: readonly ConditionHour[],
  { fromMs, toMs }: Stretch,
  value: (hour: ConditionHour, index: number) => number,
  least: number,
  tell: (worst: number) => Pick<ConditionAlert, 'kind' | 'level' | 'still'>,
): Omit<ConditionAlert, 'from'> | null {
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

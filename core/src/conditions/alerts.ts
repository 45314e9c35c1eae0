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
  title: string;
  reason: string;
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
  ): ConditionAlert | null => alertOf(hours, within, value, least, tell);
  const found: (ConditionAlert | null)[] = [
    alert(
      ({ thunder }) => thunder,
      THUNDER_MIND,
      (worst) => ({
        kind: 'thunder',
        level: worst >= THUNDER_STOP ? 'stop' : 'mind',
        title: 'Thunder is likely',
        reason:
          'Any thunder: off the water at once, rods down, they conduct. Back as the local rule says, commonly 30 min after the last thunder.',
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
            title: 'The river is rising',
            reason:
              'A rising river means out of the water. Teach on grass or from the bank; ask who knows this river.',
          }),
        ),
    alert(
      ({ waterC }) => waterC,
      warm,
      (worst) => ({
        kind: 'too-warm',
        level: worst >= warm + 2 ? 'stop' : 'mind',
        title: 'The water may be too warm for the fish',
        reason:
          'Take the temperature before the first cast. Above the limit of the species fishing for it stops.',
      }),
    ),
    alert(
      ({ windMs }) => windMs,
      still ? CRAFT_MS : WINDY_MS,
      () => ({
        kind: 'windy',
        level: 'mind',
        title: still ? 'Too much wind for small craft' : 'Too windy for beginners to cast',
        reason: still
          ? 'Fish from the bank, the wind on the side away from the casting hand. Boats only as the local rule and their keeper say.'
          : 'Wind on the casting side brings the hook to the face: glasses on, change banks, roll casts, or practise knots.',
      }),
    ),
    still
      ? alert(
          ({ windMs }) => -windMs,
          -GLASS_MS,
          () => ({
            kind: 'glass',
            level: 'note',
            title: 'Glass calm',
            reason: 'The hardest surface to fish: finer, farther, slower; or teach something else.',
          }),
        )
      : alert(
          ({ waterC }) => -waterC,
          -COLD_WATER_C,
          () => ({
            kind: 'cold-wading',
            level: 'mind',
            title: 'Cold water to wade in',
            reason:
              'Short turns, dry clothes at hand, from the bank where it can be. Cold takes strength before it is felt.',
          }),
        ),
    still
      ? alert(
          ({ waterC }) => -waterC,
          -ICE_WATER_C,
          () => ({
            kind: 'ice',
            level: 'stop',
            title: 'There may be ice',
            reason:
              'Nobody steps on ice, and nobody wades under its edge. Ask who keeps this water; teach on grass.',
          }),
        )
      : alert(
          ({ airC }) => -airC,
          -FROST_C,
          () => ({
            kind: 'ice',
            level: 'mind',
            title: 'Frost: ice on stones and banks',
            reason:
              'Stones, ladders and rod rings ice up. Studs and staff, short turns, nobody near deep water alone.',
          }),
        ),
    alert(
      ({ rainMm }) => rainMm,
      HEAVY_RAIN_MM,
      () => ({
        kind: 'heavy-rain',
        level: 'note',
        title: 'Heavy rain',
        reason: 'Hoods shut out the voice: say it before. The river answers hours later.',
      }),
    ),
  ];
  const order = { stop: 0, mind: 1, note: 2 };
  return found.flatMap((one) => one ?? []).sort((a, b) => order[a.level] - order[b.level]);
}

type Tell = (worst: number) => Pick<ConditionAlert, 'kind' | 'level' | 'title' | 'reason'>;

function alertOf(
  hours: readonly ConditionHour[],
  { fromMs, toMs }: Stretch,
  value: (hour: ConditionHour, index: number) => number,
  least: number,
  tell: Tell,
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

import { inRange } from '../error';
import { normal, seededRandom } from '../random';
import type { WaterKind } from '../water';
import { type ConditionHour, HOUR_MS } from './hour';

const DAY_MS = 24 * HOUR_MS;
/** Days of rain that still stand in the river. */
const MEMORY_DAYS = 6;
/** Hours a river takes to fall to a third of its rise, and to answer to rain. */
const RECESSION_H: Record<WaterKind, number> = { river: 36, brook: 14, lake: 0, pond: 0 };
const ANSWER_H: Record<WaterKind, number> = { river: 6, brook: 2, lake: 0, pond: 0 };
/** Metres of level for a millimetre of rain that runs off. */
const RISE_M: Record<WaterKind, number> = { river: 0.022, brook: 0.015, lake: 0, pond: 0 };
/** Hours after which water has gone two thirds of the way to the air's temperature. */
const WATER_LAG_H: Record<WaterKind, number> = { river: 40, brook: 18, lake: 240, pond: 96 };

/** Share of the water that comes from the ground, and how warm that is all year. */
const GROUND_SHARE: Record<WaterKind, number> = { river: 0.25, brook: 0.4, lake: 0.15, pond: 0.1 };
const GROUND_C = 8;

export interface StationSite {
  /** Makes it one water's weather and no other's. */
  seed: string;
  kind: WaterKind;
  latitude: number;
}

/** Weather of one day as drawn, before it is spread over the hours. */
interface Day {
  meanC: number;
  swingC: number;
  cloud: number;
  rainMm: number;
  rainFromH: number;
  rainHours: number;
  windMs: number;
  windFromDeg: number;
  pressureHpa: number;
  thunder: number;
}

/**
 * A simulated weather station: hourly conditions of a water from a seed, the same for the same hour whatever is asked
 * around it. It stands in for a real one; it looks like a northern upland, and foretells nothing.
 *
 * @param fromMs start, whole hours are taken from it on
 * @param count hours, 1…240
 * @throws CoreError 'out-of-range'
 */
export function stationHours(site: StationSite, fromMs: number, count: number): ConditionHour[] {
  inRange('count', count, 1, 240);
  inRange('latitude', site.latitude, -90, 90);
  const first = Math.ceil(fromMs / HOUR_MS) * HOUR_MS;
  const days = new Map<number, Day>();
  const dayOf = (index: number): Day => {
    const known = days.get(index) ?? drawDay(site, index);
    days.set(index, known);
    return known;
  };
  return Array.from({ length: count }, (_, i) => hourOf(site, first + i * HOUR_MS, dayOf));
}

function hourOf(site: StationSite, atMs: number, dayOf: (index: number) => Day): ConditionHour {
  const index = Math.floor(atMs / DAY_MS);
  const hour = (atMs - index * DAY_MS) / HOUR_MS;
  const blend = (of: (day: Day) => number): number => between(dayOf, index, hour, of);
  const day = dayOf(index);
  // Noon by the sun is near twelve of universal time where the demo lies; the warmest hour is three later.
  const warmth = Math.cos(((hour - 15) / 24) * 2 * Math.PI);
  const cloud = clamp(
    blend((one) => one.cloud),
    0,
    1,
  );
  const windMs = Math.max(0, blend((one) => one.windMs) * (0.8 + 0.35 * (0.5 + 0.5 * warmth)));
  const levelM = riverLevel(site, atMs, dayOf);
  return {
    atMs,
    airC: blend((one) => one.meanC) + blend((one) => one.swingC) * warmth,
    windMs,
    gustMs: windMs * (1.35 + 0.25 * cloud),
    windFromDeg: (((day.windFromDeg + 20 * warmth) % 360) + 360) % 360,
    pressureHpa: blend((one) => one.pressureHpa),
    cloud,
    rainMm: rainOf(dayOf, atMs),
    thunder:
      hour >= 11 && hour <= 20 ? day.thunder * (0.5 + 0.5 * Math.cos(((hour - 15.5) / 9) * Math.PI)) : 0,
    levelM,
    flow: (1 + levelM) ** 2.2,
    waterC: waterTemperature(site, atMs, dayOf),
  };
}

/** Draws a day; neighbours share half of their luck, so that weather lasts. */
function drawDay(site: StationSite, index: number): Day {
  const luck = (what: string): number => {
    const drawn = (i: number): number => normal(seededRandom(`${site.seed}/${what}/${i}`));
    return (drawn(index) + 0.7 * drawn(index - 1) + 0.35 * drawn(index - 2)) / Math.hypot(1, 0.7, 0.35);
  };
  const random = seededRandom(`${site.seed}/day/${index}`);
  const low = luck('low');
  const season = seasonOf(site.latitude, index);
  const cloud = clamp(0.55 + 0.28 * low, 0.05, 1);
  const meanC = 9 - 0.25 * (Math.abs(site.latitude) - 55) + 7.5 * season + 2.4 * luck('warm');
  const wet = low > 0.25;
  const rainMm = wet ? 2 + 9 * (low - 0.25) * (0.5 + random()) : 0;
  const hot = meanC + 5 * (1 - cloud) > 19;
  return {
    meanC,
    swingC: (2.2 + 1.8 * Math.max(0, season)) * (1.3 - cloud),
    cloud,
    rainMm,
    rainFromH: Math.floor(random() * 18),
    rainHours: 2 + Math.floor(random() * 6),
    windMs: Math.max(0.3, 3.2 + 1.7 * luck('wind') + 1.2 * Math.max(0, low)),
    windFromDeg: (255 + 55 * luck('turn') + 720) % 360,
    pressureHpa: 1014 - 9 * low,
    thunder: clamp((hot ? 0.45 : 0) + (wet && season > 0.2 ? 0.12 : 0), 0, 0.9),
  };
}

/** −1 in midwinter, 1 in midsummer; the air is a month behind the sun. */
function seasonOf(latitude: number, index: number): number {
  const dayOfYear = index % 365.2425;
  return Math.cos(((dayOfYear - 203) / 365.2425) * 2 * Math.PI) * (latitude < 0 ? -1 : 1);
}

/** A value of the days that passes smoothly from the middle of one to the middle of the next. */
function between(
  dayOf: (index: number) => Day,
  index: number,
  hour: number,
  of: (day: Day) => number,
): number {
  const share = (hour - 12) / 24;
  const other = share < 0 ? index - 1 : index + 1;
  const weight = Math.abs(share);
  const smooth = weight * weight * (3 - 2 * weight);
  return of(dayOf(index)) * (1 - smooth) + of(dayOf(other)) * smooth;
}

/** Rain of the hour: each day's falls in one stretch, strongest in its middle, and may run into the next day. */
function rainOf(dayOf: (index: number) => Day, atMs: number): number {
  const index = Math.floor(atMs / DAY_MS);
  return [index - 1, index].reduce((sum, one) => {
    const { rainMm, rainFromH, rainHours } = dayOf(one);
    const into = (atMs - one * DAY_MS) / HOUR_MS - rainFromH;
    if (rainMm === 0 || into < 0 || into >= rainHours) return sum;
    const shape = Math.sin((Math.PI * (into + 0.5)) / rainHours);
    const total = Array.from({ length: rainHours }, (_, i) =>
      Math.sin((Math.PI * (i + 0.5)) / rainHours),
    ).reduce((all, part) => all + part, 0);
    return sum + (rainMm * shape) / total;
  }, 0);
}

/** Level over the usual one: every past hour's rain rises, and then falls away. */
function riverLevel({ kind }: StationSite, atMs: number, dayOf: (index: number) => Day): number {
  if (RISE_M[kind] === 0) return 0;
  let level = 0;
  for (let ago = 0; ago < MEMORY_DAYS * 24; ago++) {
    const rain = rainOf(dayOf, atMs - ago * HOUR_MS);
    if (rain > 0)
      level +=
        RISE_M[kind] * rain * (1 - Math.exp(-ago / ANSWER_H[kind])) * Math.exp(-ago / RECESSION_H[kind]);
  }
  return level;
}

/** Water follows the air's past with a lag, and never freezes over in this model. */
function waterTemperature({ kind }: StationSite, atMs: number, dayOf: (index: number) => Day): number {
  const lag = WATER_LAG_H[kind];
  const step = Math.max(3, Math.round(lag / 12));
  let [sum, weights] = [0, 0];
  for (let ago = 0; ago <= 3 * lag; ago += step) {
    const at = atMs - ago * HOUR_MS;
    const index = Math.floor(at / DAY_MS);
    const hour = (at - index * DAY_MS) / HOUR_MS;
    const air =
      between(dayOf, index, hour, (day) => day.meanC) +
      between(dayOf, index, hour, (day) => day.swingC) * Math.cos(((hour - 15) / 24) * 2 * Math.PI);
    const weight = Math.exp(-ago / lag);
    sum += weight * air;
    weights += weight;
  }
  const ground = GROUND_SHARE[kind];
  return Math.max(0.3, (1 - ground) * (sum / weights) + ground * GROUND_C);
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

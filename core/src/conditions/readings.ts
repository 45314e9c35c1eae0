import type { DepthReading } from '../water';
import { type ConditionHour, HOUR_MS } from './hour';

export const READING_KINDS = [
  'airC',
  'waterC',
  'windMs',
  'windFromDeg',
  'pressureHpa',
  'cloud',
  'rainMm',
  'levelM',
] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** What somebody read at a water: SI, °C, degrees from north, share of the sky, millimetres in the hour. */
export interface ConditionReading {
  id: string;
  atMs: number;
  what: ReadingKind;
  value: number;
  /** Of the water's temperature only; null at the surface or in a river. */
  depthM: number | null;
}

/** What a reading can be, ends included. */
export const READING_RANGES: Record<ReadingKind, { from: number; to: number }> = {
  airC: { from: -40, to: 50 },
  waterC: { from: -1, to: 40 },
  windMs: { from: 0, to: 60 },
  windFromDeg: { from: 0, to: 360 },
  pressureHpa: { from: 850, to: 1090 },
  cloud: { from: 0, to: 1 },
  rainMm: { from: 0, to: 200 },
  levelM: { from: -5, to: 15 },
};

/** Hours after which a reading says nothing of the station's error any more. Rule of thumb. */
const LASTS_H = 6;
/** Deeper than this a temperature is one of a profile, metres. */
const SURFACE_M = 0.5;

/** Whether a reading still says something of a stretch of time; all epoch milliseconds. */
export function lastsTo(readAtMs: number, fromMs: number, toMs: number): boolean {
  return readAtMs >= fromMs - LASTS_H * HOUR_MS && readAtMs <= toMs + LASTS_H * HOUR_MS;
}

/**
 * The station's hours with what was read over them: the hour of a reading is as it was read; the hours around it are
 * shifted by what the station was off, less and less over six hours. Rain is of its hour alone.
 */
export function withReadings(
  hours: readonly ConditionHour[],
  readings: readonly ConditionReading[],
): ConditionHour[] {
  const atSurface = readings.filter(({ depthM }) => (depthM ?? 0) <= SURFACE_M);
  return hours.map((hour) => {
    const mended = { ...hour };
    for (const kind of READING_KINDS) {
      const nearest = atSurface
        .filter(({ what }) => what === kind)
        .sort((a, b) => Math.abs(a.atMs - hour.atMs) - Math.abs(b.atMs - hour.atMs))[0];
      if (nearest) mended[kind] = mendedValue(hours, hour, nearest);
    }
    if (mended.windMs !== hour.windMs && hour.windMs > 0)
      mended.gustMs = hour.gustMs * (mended.windMs / hour.windMs);
    mended.gustMs = Math.max(mended.gustMs, mended.windMs);
    return mended;
  });
}

function mendedValue(
  hours: readonly ConditionHour[],
  hour: ConditionHour,
  { what, value, atMs }: ConditionReading,
): number {
  const apart = Math.abs(hour.atMs - atMs);
  if (apart <= HOUR_MS / 2) return value;
  const there = hours.find((other) => Math.abs(other.atMs - atMs) <= HOUR_MS / 2);
  if (!there || what === 'rainMm') return hour[what];
  const share = Math.max(0, 1 - (apart - HOUR_MS / 2) / (LASTS_H * HOUR_MS));
  const off = value - there[what];
  if (what === 'windFromDeg') return (hour[what] + share * (((off + 540) % 360) - 180) + 360) % 360;
  const { from, to } = READING_RANGES[what];
  return Math.min(to, Math.max(from, hour[what] + share * off));
}

/** Temperatures read by depth within so many hours of a moment, nearest in time first for a depth, shallow first. */
export function profileOf(readings: readonly ConditionReading[], atMs: number, withinH = 24): DepthReading[] {
  const near = readings
    .filter(({ what, depthM }) => what === 'waterC' && depthM !== null)
    .filter((reading) => Math.abs(reading.atMs - atMs) <= withinH * HOUR_MS)
    .sort((a, b) => Math.abs(a.atMs - atMs) - Math.abs(b.atMs - atMs));
  const byDepth = new Map<number, DepthReading>();
  for (const { depthM, value } of near)
    if (!byDepth.has(depthM as number))
      byDepth.set(depthM as number, { depthM: depthM as number, celsius: value });
  return [...byDepth.values()].sort((a, b) => a.depthM - b.depthM);
}

/** What is known of one hour at a water, at its middle. */
export interface ConditionHour {
  atMs: number;
  airC: number;
  /** Mean wind, metres a second, and where it comes from, degrees from north. */
  windMs: number;
  gustMs: number;
  windFromDeg: number;
  pressureHpa: number;
  /** Share of the sky, 0…1. */
  cloud: number;
  /** Millimetres in the hour. */
  rainMm: number;
  /** Chance of thunder within the hour, 0…1. */
  thunder: number;
  /** River level over its usual one, metres; 0 for still water. */
  levelM: number;
  /** Flow as a multiple of the usual one. */
  flow: number;
  waterC: number;
}

/** How a level goes: over the last three hours, by 2 cm or more. */
export type Trend = 'rising' | 'falling' | 'steady';

const TREND_HOURS = 3;
const TREND_M = 0.02;

/**
 * Trend of the river's level up to an hour of the list.
 *
 * @param index of the hour in the list, from 0
 */
export function levelTrend(hours: readonly ConditionHour[], index: number): Trend {
  const now = hours[index];
  const before = hours[Math.max(0, index - TREND_HOURS)];
  const change = (now?.levelM ?? 0) - (before?.levelM ?? 0);
  return change >= TREND_M ? 'rising' : change <= -TREND_M ? 'falling' : 'steady';
}

/** The hour a moment lies in; null outside of the list. */
export function hourAt(
  hours: readonly ConditionHour[],
  atMs: number,
): { hour: ConditionHour; index: number } | null {
  const index = hours.findIndex((hour) => Math.abs(hour.atMs - atMs) <= HOUR_MS / 2);
  const hour = hours[index];
  return hour ? { hour, index } : null;
}

export const HOUR_MS = 3_600_000;

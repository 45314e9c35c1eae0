import type { SavedWater } from '@doceo/contract';
import type { ConditionHour } from '@doceo/core';

/** Where conditions of some waters come from: a station, a gauge, a service. */
export interface ConditionProvider {
  /** Its name, as a user reads it. */
  source: string;
  /** True when it stands in for a real one. */
  simulated: boolean;
  covers: (water: SavedWater) => boolean;
  /** Hourly conditions from a moment on. */
  hours: (water: SavedWater, fromMs: number, count: number, signal: AbortSignal) => Promise<ConditionHour[]>;
}

/** Hours of a day, and who says so. */
export interface ConditionAnswer extends Pick<ConditionProvider, 'source' | 'simulated'> {
  hours: ConditionHour[];
}

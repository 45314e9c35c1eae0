import type { SavedWater } from '@doceo/contract';
import { type ConditionHour, stationHours } from '@doceo/core';

/** Where conditions come from. A real station is plugged in by another one of these. */
export interface ConditionProvider {
  source: 'simulated station';
  /** Hourly conditions from a moment on. */
  hours: (water: SavedWater, fromMs: number, count: number) => Promise<ConditionHour[]>;
}

/** The stand-in that ships: seeded by the water, so that everybody sees the same weather there. */
export const simulatedStation: ConditionProvider = {
  source: 'simulated station',
  hours: ({ id, water }, fromMs, count) =>
    Promise.resolve(stationHours({ seed: id, kind: water.kind, latitude: water.latitude }, fromMs, count)),
};

import { stationHours } from '@doceo/core';
import type { ConditionProvider } from './provider';

/** The stand-in that ships: seeded by the water, so that everybody sees the same weather there. */
export const simulatedStation: ConditionProvider = {
  source: 'a simulated station',
  simulated: true,
  covers: ({ water }) => water.latitude !== null,
  hours: ({ id, water }, fromMs, count) =>
    Promise.resolve(
      stationHours({ seed: id, kind: water.kind, latitude: water.latitude ?? 0 }, fromMs, count),
    ),
};

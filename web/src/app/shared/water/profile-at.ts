import type { ConditionDay } from '@doceo/contract';
import { type DepthReading, profileOf, stillProfile, type WaterKind } from '@doceo/core';

/** Temperatures of still water by depth, and whether somebody read them near the moment. */
export interface StillWater {
  profile: DepthReading[];
  read: boolean;
}

/** @param surfaceC of the hour: where nobody read them they are simulated from it */
export function profileAt(kind: WaterKind, day: ConditionDay, atMs: number, surfaceC: number): StillWater {
  const read = profileOf(day.readings, atMs);
  return read.length > 1
    ? { profile: read, read: true }
    : { profile: stillProfile(kind, surfaceC), read: false };
}

import type { DepthReading, WaterKind } from '../water';

/** Below this at the surface a lake is mixed to the bottom; warmer water lies on colder. */
const MIXED_BELOW_C = 9;
/** The bottom of a layered lake. */
const DEEP_C = 6;
/** Depth of the steepest change, and how sharp it is, metres. */
const LAYER: Partial<Record<WaterKind, { depthM: number; widthM: number; bottomM: number }>> = {
  lake: { depthM: 5.5, widthM: 1.1, bottomM: 14 },
  pond: { depthM: 2, widthM: 0.5, bottomM: 3.5 },
};

/**
 * Temperature by depth of still water, simulated from that at its surface: a warm layer over a cold one, with a steep
 * change between; mixed when the surface is cold. Empty for running water, which is mixed always.
 *
 * @param stepM from reading to reading
 */
export function stillProfile(kind: WaterKind, surfaceC: number, stepM = 0.5): DepthReading[] {
  const layer = LAYER[kind];
  if (!layer) return [];
  const deepC = surfaceC < MIXED_BELOW_C ? surfaceC : Math.min(surfaceC, DEEP_C);
  return Array.from({ length: Math.round(layer.bottomM / stepM) + 1 }, (_, i) => {
    const depthM = i * stepM;
    const share = 1 / (1 + Math.exp((depthM - layer.depthM) / layer.widthM));
    const whole = 1 / (1 + Math.exp(-layer.depthM / layer.widthM));
    return { depthM, celsius: deepC + ((surfaceC - deepC) * share) / whole };
  });
}

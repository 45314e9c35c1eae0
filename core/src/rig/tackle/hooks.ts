import { inRange } from '../../error';

export const HOOK_SIZES = [2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22] as const;

export const WIRE_IDS = ['fine', 'standard', 'heavy'] as const;
export type WireId = (typeof WIRE_IDS)[number];

/** Wire diameter against the standard wire of a size. */
const WIRE_FACTOR: Record<WireId, number> = { fine: 0.88, standard: 1, heavy: 1.15 };

export interface Hook {
  size: number;
  /** Straight part from eye to bend, metres. */
  shankM: number;
  wireDiameterM: number;
  /** Whole length of wire with bend, point and eye, metres. */
  wireLengthM: number;
}

/** Steel, kg/m³. */
export const STEEL_DENSITY = 7850;
/** Wire in a hook against its shank: shank, bend, point and eye together. */
const WIRE_PER_SHANK = 2.4;

/**
 * Dimensions of a hook.
 *
 * @param size even number 2…22; the larger number is the smaller hook
 * @throws CoreError 'out-of-range'
 * An exponential fit to what hooks of these sizes usually measure (#8 shank 12 mm, #14 8 mm, #20 5 mm); an estimate,
 * ± 20 %, by which makers differ in length and wire.
 */
export function hookOf(size: number, wire: WireId = 'standard'): Hook {
  inRange('hookSize', size, 2, 22);
  const shankM = 0.02 * Math.exp(-0.067 * size);
  return {
    size,
    shankM,
    wireDiameterM: 0.0008 * Math.exp(-0.05 * size) * WIRE_FACTOR[wire],
    wireLengthM: WIRE_PER_SHANK * shankM,
  };
}

/**
 * Mass of a bare hook, kg: wire length × section × steel density.
 *
 * @param size even number 2…22; the larger number is the smaller hook
 */
export function hookMass(size: number, wire: WireId = 'standard'): number {
  const { wireDiameterM, wireLengthM } = hookOf(size, wire);
  return (Math.PI / 4) * wireDiameterM ** 2 * wireLengthM * STEEL_DENSITY;
}

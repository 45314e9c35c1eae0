import { inRange } from '../../error';

export const BEAD_METALS = ['brass', 'tungsten'] as const;
export type BeadMetal = (typeof BEAD_METALS)[number];

export const BEADS = ['none', ...BEAD_METALS] as const;
export type Bead = (typeof BEADS)[number];

/** kg/m³; sintered tungsten beads reach about 17, brass 8.5 g/cm³. */
export const BEAD_DENSITY: Record<BeadMetal, number> = { brass: 8500, tungsten: 17_000 };

/** Diameters that are sold, metres. */
export const BEAD_DIAMETERS_M = [0.0015, 0.002, 0.0024, 0.0028, 0.0033, 0.0038, 0.0046, 0.0055];

/** Bore against diameter; slots and countersinks taken together. An estimate, ± 0.1. */
const BORE_SHARE = 0.35;

/**
 * Volume of a bead, m³: a sphere less its bore.
 *
 * @throws CoreError 'out-of-range'
 */
export function beadVolume(diameterM: number): number {
  inRange('beadDiameterM', diameterM, 0, 0.006);
  return (Math.PI / 6) * diameterM ** 3 - (Math.PI / 4) * (BORE_SHARE * diameterM) ** 2 * diameterM;
}

/** Mass of a bead, kg. */
export function beadMass(metal: BeadMetal, diameterM: number): number {
  return BEAD_DENSITY[metal] * beadVolume(diameterM);
}

export const SHOT_METALS = ['tin', 'lead'] as const;
export type ShotMetal = (typeof SHOT_METALS)[number];

/** kg/m³ */
export const SHOT_DENSITY: Record<ShotMetal, number> = { tin: 7290, lead: 11_340 };

/** Masses that are sold, kg, lightest first. */
export const SHOT_MASSES_KG = [0.00005, 0.0001, 0.0002, 0.0003, 0.0004, 0.0006, 0.0008, 0.0012];

/** Diameter of a round shot, metres. */
export function shotDiameter(metal: ShotMetal, massKg: number): number {
  return Math.cbrt((6 * massKg) / (Math.PI * SHOT_DENSITY[metal]));
}

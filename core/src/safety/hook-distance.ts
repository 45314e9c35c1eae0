/** What reaches from one angler to the next, metres. */
export interface Outfit {
  rodM: number;
  leaderM: number;
}

/** A nine-foot rod with a leader of 2.7 m. */
const BEGINNERS_OUTFIT: Outfit = { rodM: 2.74, leaderM: 2.7 };
/** An arm held out with the rod, metres. Rule of thumb. */
const ARM_M = 0.7;

/**
 * Distance between two students so that hooks cannot meet: two lengths of line, at least rod, leader and arm.
 *
 * @param lineOutM line beyond the tip, metres, ≥ 0
 * @returns metres; a rule of thumb, local rules may ask for more
 */
export function hookDistance(lineOutM: number, { rodM, leaderM }: Outfit = BEGINNERS_OUTFIT): number {
  return Math.max(2 * lineOutM, rodM + leaderM + ARM_M);
}

/**
 * How many students fit along a bank at a distance from each other.
 *
 * @param bankM length of the bank, metres, ≥ 0
 * @param distanceM metres, > 0
 * @returns whole students, one at least
 */
export function studentsThatFit(bankM: number, distanceM: number): number {
  return 1 + Math.floor(bankM / distanceM + 1e-9);
}

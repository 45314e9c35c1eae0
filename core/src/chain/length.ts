const { sqrt } = Math;

/**
 * Length of a vector: as Math.hypot, for vectors that neither overflow nor vanish, and several times as fast.
 *
 * @param x of the vector, any unit
 * @param y of the vector, the same
 * @returns in that unit
 */
export function lengthOf(x: number, y: number): number {
  return sqrt(x * x + y * y);
}

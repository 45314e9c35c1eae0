const { sqrt } = Math;

/** Length of a vector: as Math.hypot, for vectors that neither overflow nor vanish, and several times as fast. */
export function lengthOf(x: number, y: number): number {
  return sqrt(x * x + y * y);
}

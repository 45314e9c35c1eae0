/**
 * The geometric mean of the parts of a score: one that is nothing makes nothing of it.
 *
 * @param parts each 0 to 1, a plain number
 * @returns 0 to 1, a plain number
 */
export function meanOf(parts: object): number {
  const values = Object.values(parts) as number[];
  return values.reduce((product, value) => product * value, 1) ** (1 / values.length);
}

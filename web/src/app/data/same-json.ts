/** Equality of plain data with its keys in the same order: a copy is no change. */
export const sameJson = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

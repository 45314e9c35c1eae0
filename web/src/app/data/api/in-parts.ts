/** A list in parts of so many at most, in order; of an empty one there is none. */
export function inParts<T>(list: readonly T[], most: number): T[][] {
  return Array.from({ length: Math.ceil(list.length / most) }, (_, i) =>
    list.slice(i * most, (i + 1) * most),
  );
}

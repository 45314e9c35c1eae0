const known = new WeakMap<object, string>();

/**
 * The text of an entry: the same content gives the same, in whatever order its fields were written. An entry is never
 * changed in place, so its text is kept.
 */
export function canonical(entry: object): string {
  const before = known.get(entry);
  if (before !== undefined) return before;
  const text = JSON.stringify(entry, sortedKeys);
  known.set(entry, text);
  return text;
}

function sortedKeys(_: string, value: unknown): unknown {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
}

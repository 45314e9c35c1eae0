/** Entries of one kind in a curriculum. Ids never die: what was retired, and what nobody knows any more, still reads. */
export interface Shelf<T> {
  /** What is in force, in the order of the layers. */
  all: readonly T[];
  /** Whether it is in force. */
  has(id: string): boolean;
  /** In force or retired. */
  find(id: string): T | undefined;
  /** As `find`; of what was never heard of a stand-in that says what its id says. */
  get(id: string): T;
}

/**
 * A shelf over entries in force and retired ones.
 *
 * @param standIn what is given for an id that neither has
 */
export function shelf<T extends { id: string }>(
  all: readonly T[],
  retired: readonly T[],
  standIn: (id: string) => T,
): Shelf<T> {
  const inForce = new Map(all.map((entry) => [entry.id, entry]));
  const known = new Map([...retired.map((entry) => [entry.id, entry] as const), ...inForce]);
  return {
    all,
    has: (id) => inForce.has(id),
    find: (id) => known.get(id),
    get: (id) => known.get(id) ?? standIn(id),
  };
}

/** What an id says when nothing else is known of it: its last part in words. */
export function wordsOfId(id: string): string {
  return (id.split('.').at(-1) ?? id).replaceAll('-', ' ');
}

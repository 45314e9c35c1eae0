import { type Entries, type EntryKind, entriesOf, type Layer } from './layer';

const FIELDS = { skill: 'skills', fault: 'faults', drill: 'drills', question: 'questions' } as const;

/** The layer with an entry, new or in the place of the one of its id; it is no longer retired by this layer. */
export function withEntry<K extends EntryKind>(layer: Layer, kind: K, entry: Entries[K]): Layer {
  const list = entriesOf(layer, kind);
  const has = list.some(({ id }) => id === entry.id);
  return {
    ...layer,
    [FIELDS[kind]]: has ? list.map((one) => (one.id === entry.id ? entry : one)) : [...list, entry],
    retired: layer.retired.filter((one) => !(one.kind === kind && one.id === entry.id)),
  };
}

/** The layer with these entries of a kind in the place of those it has. */
export function withEntries<K extends EntryKind>(
  layer: Layer,
  kind: K,
  entries: readonly Entries[K][],
): Layer {
  return { ...layer, [FIELDS[kind]]: [...entries] };
}

/** The layer that says nothing of an entry: what lies below shows again. */
export function withoutEntry(layer: Layer, kind: EntryKind, id: string): Layer {
  return {
    ...layer,
    [FIELDS[kind]]: entriesOf(layer, kind).filter((one) => one.id !== id),
    retired: layer.retired.filter((one) => !(one.kind === kind && one.id === id)),
  };
}

/** The layer that retires an entry; one of its own stays in it, so that it goes on to read. */
export function withRetired(layer: Layer, kind: EntryKind, id: string): Layer {
  return layer.retired.some((one) => one.kind === kind && one.id === id)
    ? layer
    : { ...layer, retired: [...layer.retired, { kind, id }] };
}

/** How many entries of a layer are new, changed and retired, against what lies below it. */
export function layerCounts(
  layer: Layer,
  below: { has: (kind: EntryKind, id: string) => boolean },
): { fresh: number; changed: number; retired: number } {
  const all = (Object.keys(FIELDS) as EntryKind[]).flatMap((kind) =>
    entriesOf(layer, kind).map(({ id }) => below.has(kind, id)),
  );
  return {
    fresh: all.filter((covers) => !covers).length,
    changed: all.filter(Boolean).length,
    retired: layer.retired.length,
  };
}

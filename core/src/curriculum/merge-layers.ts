import { emptyLayer, type Entries, ENTRY_KINDS, entriesOf, type EntryKind, type Layer } from './layer';
import { withEntry, withoutEntry, withRetired } from './edit-layer';

/** An entry that two changed at once, each otherwise. */
export interface Clash {
  kind: EntryKind;
  id: string;
}

/**
 * Two changes of one layer made one, entry by entry: what one alone changed is as he left it, what both changed alike is so
 * once. Where both changed an entry otherwise it is told as a clash, and is as it is chosen.
 *
 * @param base the layer both began with
 * @param isTheirs which clashes go as theirs has them; the others go as mine has them
 */
export function mergeLayers(
  base: Layer,
  mine: Layer,
  theirs: Layer,
  isTheirs: (clash: Clash) => boolean = () => false,
): { layer: Layer; clashes: Clash[] } {
  const clashes: Clash[] = [];
  let layer: Layer = {
    ...emptyLayer(),
    alone: mine.alone === base.alone ? theirs.alone : mine.alone,
  };
  for (const kind of ENTRY_KINDS) {
    for (const id of idsOf(kind, theirs, mine, base)) {
      const [before, here, there] = [base, mine, theirs].map((one) => stateOf(one, kind, id)) as [
        State,
        State,
        State,
      ];
      const clash = !same(here, before) && !same(there, before) && !same(here, there);
      if (clash) clashes.push({ kind, id });
      const takes = same(here, before) || (clash && isTheirs({ kind, id }));
      layer = put(layer, kind, id, takes ? there : here);
    }
  }
  return { layer, clashes };
}

/** What a layer says of one entry. */
interface State {
  entry: Entries[EntryKind] | null;
  retired: boolean;
}

function stateOf(layer: Layer, kind: EntryKind, id: string): State {
  return {
    entry: entriesOf(layer, kind).find((one) => one.id === id) ?? null,
    retired: layer.retired.some((one) => one.kind === kind && one.id === id),
  };
}

/** Ids in the order in which they are first met. */
function idsOf(kind: EntryKind, ...layers: readonly Layer[]): string[] {
  return [
    ...new Set(
      layers.flatMap((layer) => [
        ...entriesOf(layer, kind).map(({ id }) => id),
        ...layer.retired.flatMap((one) => (one.kind === kind ? [one.id] : [])),
      ]),
    ),
  ];
}

function put(layer: Layer, kind: EntryKind, id: string, { entry, retired }: State): Layer {
  const placed = entry ? withEntry(layer, kind, entry as never) : withoutEntry(layer, kind, id);
  return retired ? withRetired(placed, kind, id) : placed;
}

function same(a: State, b: State): boolean {
  return JSON.stringify(a, sorted) === JSON.stringify(b, sorted);
}

function sorted(_: string, value: unknown): unknown {
  return value === null || typeof value !== 'object' || Array.isArray(value)
    ? value
    : Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1)));
}

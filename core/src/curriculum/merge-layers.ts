import { emptyLayer, type Entries, ENTRY_KINDS, entriesOf, type EntryKind, type Layer } from './layer';
import { canonical } from './canonical';
import { withEntries, withRetired } from './edit-layer';

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
  let layer: Layer = { ...emptyLayer(), alone: mine.alone === base.alone ? theirs.alone : mine.alone };
  for (const kind of ENTRY_KINDS) {
    const stateIn = [base, mine, theirs].map((one) => statesOf(one, kind));
    const entries: Entries[EntryKind][] = [];
    for (const id of idsOf(kind, theirs, mine, base)) {
      const [before, here, there] = stateIn.map((states) => states(id)) as [State, State, State];
      const clash = !same(here, before) && !same(there, before) && !same(here, there);
      if (clash) clashes.push({ kind, id });
      const kept = same(here, before) || (clash && isTheirs({ kind, id })) ? there : here;
      if (kept.entry) entries.push(kept.entry);
      if (kept.retired) layer = withRetired(layer, kind, id);
    }
    layer = withEntries(layer, kind, entries as never);
  }
  return { layer, clashes };
}

/** What a layer says of one entry. */
interface State {
  entry: Entries[EntryKind] | null;
  retired: boolean;
}

function statesOf(layer: Layer, kind: EntryKind): (id: string) => State {
  const entries = new Map<string, Entries[EntryKind]>(entriesOf(layer, kind).map((one) => [one.id, one]));
  const retired = new Set(layer.retired.flatMap((one) => (one.kind === kind ? [one.id] : [])));
  return (id) => ({ entry: entries.get(id) ?? null, retired: retired.has(id) });
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

function same(a: State, b: State): boolean {
  return a.retired === b.retired && textOf(a) === textOf(b);
}

function textOf({ entry }: State): string {
  return entry ? canonical(entry) : '';
}

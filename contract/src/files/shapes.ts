import { upgradeRig } from '../rig/rig-upgrade';

/** Brings a stored document from one shape to the next. What it cannot read it leaves for the schema to refuse. */
type Upgrade = (value: unknown) => unknown;

/**
 * Kinds of documents that are stored whole, with what brings each from its first shape on to today's. A changed shape
 * adds one function at the end of its list; nothing that was ever stored is written anew for it.
 */
const UPGRADES = {
  // Since 2: rigs keep what was measured in one list.
  plan: [(value) => withEach(value, 'rigs', (entry) => withField(entry, 'rig', upgradeRig))],
  // Since 2: what was measured is one list of the rig.
  rig: [upgradeRig],
  // Since 2: a calendar of what lives in it.
  // Since 3: what nobody has said is null, lengths of places tell where they are from.
  water: [(value) => (isRecord(value) ? { calendar: null, ...value } : value), unsaid],
  beat: [],
  lake: [],
  event: [],
  flyBox: [],
  kit: [],
  reading: [],
  layer: [],
} satisfies Record<string, Upgrade[]>;

export type StoredKind = keyof typeof UPGRADES;

/** The shape in which a kind of document is written now, from 1 on. */
export function shapeOf(kind: StoredKind): number {
  return UPGRADES[kind].length + 1;
}

/** A stored document in today's shape, from the one it was written in. One of a later program stays as it is. */
export function inShape(kind: StoredKind, shape: number, value: unknown): unknown {
  const upgrades: Upgrade[] = UPGRADES[kind];
  return upgrades.slice(Math.max(0, shape - 1)).reduce((now, upgrade) => upgrade(now), value);
}

/** Lengths with which a new water once began, by the id of the place; somebody may have said the same. */
const ONCE_TYPICAL: Record<string, number[]> = {
  pool: [40],
  run: [60],
  riffle: [40],
  pocket: [80],
  shoal: [120],
  margin: [60, 120],
  grass: [40, 50],
};

/** A water of when a new one began with places, a season and ways to fish that nobody had said. */
function unsaid(value: unknown): unknown {
  if (!isRecord(value)) return value;
  const rules = value['rules'];
  const blank =
    isRecord(rules) &&
    rules['checkedOn'] === null &&
    ['licence', 'release', 'hours', 'other'].every((field) => rules[field] === '');
  return {
    species: [],
    said: {},
    ...(withEach(value, 'places', (place) =>
      isRecord(place)
        ? {
            lengthFrom: ONCE_TYPICAL[String(place['id'])]?.includes(Number(place['lengthM']))
              ? 'typical'
              : 'entered',
            ...place,
          }
        : place,
    ) as Record<string, unknown>),
    ...(blank
      ? { rules: { ...rules, seasonFrom: null, seasonTo: null, barbless: null, leadAllowed: null } }
      : {}),
  };
}

function withField(value: unknown, field: string, change: Upgrade): unknown {
  return isRecord(value) && field in value ? { ...value, [field]: change(value[field]) } : value;
}

function withEach(value: unknown, field: string, change: Upgrade): unknown {
  return withField(value, field, (list) => (Array.isArray(list) ? list.map(change) : list));
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

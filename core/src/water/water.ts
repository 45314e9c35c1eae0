import type { Point } from '../geometry';
import type { Origin } from '../origin';
import type { Species } from './comfort';
import type { Food } from './food';

/** Where a drill can be done, and the parts of a water a plan names. */
export const PLACE_KINDS = [
  'anywhere',
  'grass',
  'run',
  'pool',
  'tail-out',
  'riffle',
  'pocket',
  'margin',
  'shoal',
  'drop-off',
  'weed-edge',
  'inflow',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const GROUND_KINDS = ['anywhere', 'grass', 'river', 'stillwater'] as const;
/** The coarse ground a drill asks for. */
export type GroundKind = (typeof GROUND_KINDS)[number];

const GROUND_OF_PLACE: Record<PlaceKind, GroundKind> = {
  anywhere: 'anywhere',
  grass: 'grass',
  run: 'river',
  pool: 'river',
  'tail-out': 'river',
  riffle: 'river',
  pocket: 'river',
  margin: 'stillwater',
  shoal: 'stillwater',
  'drop-off': 'stillwater',
  'weed-edge': 'stillwater',
  inflow: 'stillwater',
};

/** The coarse ground of a place. */
export function groundOf(place: PlaceKind): GroundKind {
  return GROUND_OF_PLACE[place];
}

/** Whether a place has the ground that a drill asks for. */
export function groundSuits(ground: GroundKind, place: PlaceKind): boolean {
  return ground === 'anywhere' || groundOf(place) === ground;
}

export const WATER_KINDS = ['river', 'brook', 'lake', 'pond'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];

/** Whether the water of such a kind stands still. */
export function isStill(kind: WaterKind): boolean {
  return kind === 'lake' || kind === 'pond';
}

export interface Place {
  id: string;
  name: string;
  kind: PlaceKind;
  /** Bank or ground that students can stand along, metres. */
  lengthM: number;
  /** Paced out, told by somebody, or usual for such a place. */
  lengthFrom: Extract<Origin, 'measured' | 'entered' | 'typical'>;
  /** Where it lies on a drawing that its length is taken from; left out where it is of no drawing. */
  drawn?: { beatId: string; at: Point };
}

/** Ways of fishing that a rule card may forbid: a float or shot on the leader, flies that sink, wading. */
export const METHODS = ['float', 'shot', 'sinking-fly', 'wading'] as const;
export type Method = (typeof METHODS)[number];

/**
 * The rules of a water as a person read them. Doceo never knows the law: it only repeats the card. What nobody has said is
 * null, or an empty text.
 */
export interface RuleCard {
  licence: string;
  /** First and last day of the season as month-day, e.g. `03-15`. May run over the year's end. */
  seasonFrom: string | null;
  seasonTo: string | null;
  maxHooks: number | null;
  barbless: boolean | null;
  leadAllowed: boolean | null;
  /** What is not allowed; left out where nobody has said anything of it. */
  forbidden?: Method[] | null | undefined;
  release: string;
  hours: string;
  other: string;
  /** Who sets these rules, where to ask. */
  whoSaysSo: string;
  /** ISO date on which a person last read the source, or null. */
  checkedOn: string | null;
  checkedBy: string | null;
}

/** A card on which nobody has written anything yet. */
export const BLANK_CARD: RuleCard = {
  licence: '',
  seasonFrom: null,
  seasonTo: null,
  maxHooks: null,
  barbless: null,
  leadAllowed: null,
  release: '',
  hours: '',
  other: '',
  whoSaysSo: '',
  checkedOn: null,
  checkedBy: null,
};

/** Who said something of a water, on which ISO date, and from where he has it; an empty text when he did not say. */
export interface Saying {
  by: string;
  on: string;
  source: string;
}

export interface Water {
  name: string;
  kind: WaterKind;
  /** Degrees north and east; both null while nobody has said where it lies. */
  latitude: number | null;
  longitude: number | null;
  /** Follows from where it lies; of the device that made the water while that is not known. */
  timeZone: string;
  /** What is fished for there; none while nobody has said. */
  species: Species[];
  places: Place[];
  rules: RuleCard;
  /** By what is said: `place`, `rules.<field>`, `places.<id>`. */
  said: Record<string, Saying>;
  /** What lives here by month as somebody found it; null takes what is usual for such a water. */
  calendar: Food[] | null;
}

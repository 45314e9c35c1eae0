import type { BoxStage, ColourFamily, WeightClass } from '../water';
import { STONE_KINDS, type StoneKind } from './stone-kinds';

/** What was counted on the stones turned in one place. */
export type StoneCount = Record<string, number>;

/** A type of fly for what was found. */
export interface StoneFly {
  food: StoneKind;
  /** Share of the food found, by what a fish gets of it. */
  share: number;
  stage: BoxStage;
  colour: ColourFamily;
  weight: WeightClass;
  largest: number;
  smallest: number;
}

export interface StoneFood {
  /** 0…100: how much food there is, and of how many kinds. */
  index: number;
  amount: 'nothing' | 'poor' | 'middling' | 'rich';
  kinds: number;
  perPlace: number;
  /** What to tie on, the most food first. */
  flies: StoneFly[];
  /** Fewer than three places were looked at: too few to tell. */
  tooFew: boolean;
}

/** Three places are turned before one tells: the trade's rule. */
const PLACES = 3;
/** Creatures a place, and kinds, that make a rich water. Rules of thumb; waters differ. */
const RICH_COUNT = 20;
const RICH_KINDS = 5;

/** How much a fish gets of one, against a mayfly; and the fly that stands for it. Rules of thumb. */
const STONES: Record<StoneKind, { mass: number; fly: Omit<StoneFly, 'food' | 'share'> }> = {
  mayfly: { mass: 1, fly: { stage: 'nymph', colour: 'drab', weight: 'bead', largest: 14, smallest: 18 } },
  caddis: { mass: 1.6, fly: { stage: 'nymph', colour: 'light', weight: 'heavy', largest: 12, smallest: 16 } },
  stonefly: { mass: 4, fly: { stage: 'nymph', colour: 'dark', weight: 'heavy', largest: 8, smallest: 12 } },
  midge: { mass: 0.2, fly: { stage: 'nymph', colour: 'dark', weight: 'plain', largest: 18, smallest: 22 } },
  shrimp: { mass: 1.5, fly: { stage: 'nymph', colour: 'drab', weight: 'bead', largest: 12, smallest: 16 } },
  snail: {
    mass: 1,
    fly: { stage: 'terrestrial', colour: 'dark', weight: 'floats', largest: 12, smallest: 14 },
  },
  damsel: { mass: 3, fly: { stage: 'nymph', colour: 'drab', weight: 'plain', largest: 8, smallest: 12 } },
  leech: { mass: 5, fly: { stage: 'streamer', colour: 'dark', weight: 'bead', largest: 6, smallest: 10 } },
};

const isStone = (kind: string): kind is StoneKind => (STONE_KINDS as readonly string[]).includes(kind);

/**
 * What stones turned in several places tell: half of the index is how many creatures a place has, half how many kinds
 * there are, each up to what makes a rich water.
 *
 * @param places one count a place; what is not known by kind is left out
 */
export function stoneFood(places: readonly StoneCount[]): StoneFood {
  const totals = new Map<StoneKind, number>();
  for (const [kind, count] of places.flatMap((place) => Object.entries(place)))
    if (isStone(kind) && count > 0) totals.set(kind, (totals.get(kind) ?? 0) + count);
  const all = [...totals.values()].reduce((sum, count) => sum + count, 0);
  const perPlace = places.length === 0 ? 0 : all / places.length;
  const index = Math.round(
    50 * Math.min(1, perPlace / RICH_COUNT) + 50 * Math.min(1, totals.size / RICH_KINDS),
  );
  const mass = ([kind, count]: readonly [StoneKind, number]): number => STONES[kind].mass * count;
  const whole = [...totals].reduce((sum, one) => sum + mass(one), 0);
  return {
    index,
    amount: all === 0 ? 'nothing' : index < 35 ? 'poor' : index < 70 ? 'middling' : 'rich',
    kinds: totals.size,
    perPlace,
    flies: [...totals]
      .map((one) => ({ food: one[0], share: mass(one) / whole, ...STONES[one[0]].fly }))
      .sort((a, b) => b.share - a.share || a.food.localeCompare(b.food)),
    tooFew: places.length < PLACES,
  };
}

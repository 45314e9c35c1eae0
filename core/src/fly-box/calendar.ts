import type { BoxStage, ColourFamily, Food, Imitation, Water, WaterKind, WeightClass } from '../water';

const ALL_YEAR = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
const from = (first: number, last: number): number[] => ALL_YEAR.slice(first - 1, last);

const fly = (
  stage: BoxStage,
  [largest, smallest]: readonly [number, number],
  colours: ColourFamily[],
  weights: WeightClass[],
): Imitation => ({ stage, colours, weights, largest, smallest });

const MIDGES_RUNNING: Food = {
  name: 'midges',
  months: ALL_YEAR,
  imitations: [
    fly('nymph', [18, 22], ['dark'], ['plain', 'bead']),
    fly('adult', [18, 22], ['dark'], ['floats']),
  ],
};
const SHRIMPS: Food = {
  name: 'shrimps',
  months: ALL_YEAR,
  imitations: [fly('nymph', [12, 16], ['drab'], ['bead'])],
};
const SMALL_FISH: Food = {
  name: 'small fish',
  months: [1, 2, 3, 4, 9, 10, 11, 12],
  imitations: [fly('streamer', [4, 8], ['light', 'dark'], ['bead'])],
};
const LAND_INSECTS: Food = {
  name: 'land insects',
  months: from(6, 9),
  imitations: [fly('terrestrial', [10, 16], ['dark'], ['floats'])],
};
const RIVER_MAYFLIES: Food = {
  name: 'mayflies',
  months: from(4, 10),
  imitations: [
    fly('nymph', [14, 18], ['drab', 'dark'], ['bead', 'heavy']),
    fly('emerger', [14, 18], ['drab'], ['floats']),
    fly('adult', [14, 18], ['light', 'drab'], ['floats']),
  ],
};
const WINTER_NYMPHS: Food = {
  name: 'mayfly nymphs in winter',
  months: [1, 2, 3, 11, 12],
  imitations: [fly('nymph', [14, 18], ['dark'], ['heavy'])],
};
const CADDIS: Food = {
  name: 'caddis',
  months: from(5, 9),
  imitations: [
    fly('nymph', [12, 16], ['light', 'drab'], ['heavy']),
    fly('adult', [12, 16], ['drab'], ['floats']),
  ],
};
const STONEFLIES: Food = {
  name: 'stoneflies',
  months: from(2, 6),
  imitations: [fly('nymph', [8, 12], ['dark'], ['heavy'])],
};
const MIDGES_STILL: Food = {
  name: 'midge pupae',
  months: from(3, 11),
  imitations: [
    fly('nymph', [14, 20], ['dark', 'drab'], ['plain', 'bead']),
    fly('emerger', [14, 20], ['dark'], ['floats']),
  ],
};
const DAMSELS: Food = {
  name: 'damselfly nymphs',
  months: from(5, 8),
  imitations: [fly('nymph', [8, 12], ['drab'], ['plain', 'bead'])],
};
const DRAGONFLIES: Food = {
  name: 'dragonfly nymphs',
  months: from(4, 9),
  imitations: [fly('nymph', [6, 10], ['dark'], ['bead'])],
};
const LAKE_MAYFLIES: Food = {
  name: 'lake mayflies',
  months: from(5, 9),
  imitations: [fly('nymph', [12, 16], ['drab'], ['plain']), fly('adult', [12, 16], ['light'], ['floats'])],
};
const LEECHES: Food = {
  name: 'leeches',
  months: ALL_YEAR,
  imitations: [fly('streamer', [6, 10], ['dark', 'drab'], ['bead'])],
};
const BOATMEN: Food = {
  name: 'water boatmen',
  months: from(8, 11),
  imitations: [fly('nymph', [12, 14], ['light'], ['plain'])],
};
const SNAILS: Food = {
  name: 'snails',
  months: from(6, 8),
  imitations: [fly('terrestrial', [12, 14], ['dark'], ['floats'])],
};
const JUST_STOCKED: Food = {
  name: 'stocked fish that know no food',
  months: ALL_YEAR,
  imitations: [fly('streamer', [4, 10], ['bright', 'light', 'dark'], ['bead'])],
};
const FISH_EGGS: Food = {
  name: 'fish eggs, when the ice is off',
  months: [3, 4],
  imitations: [fly('nymph', [10, 14], ['bright'], ['bead'])],
};
const CRAYFISH: Food = {
  name: 'crayfish',
  months: from(6, 10),
  imitations: [fly('streamer', [4, 8], ['drab', 'dark'], ['bead', 'heavy'])],
};
const LAKE_SEDGES: Food = {
  name: 'sedges',
  months: from(6, 9),
  imitations: [fly('emerger', [10, 14], ['drab'], ['floats']), fly('adult', [10, 14], ['drab'], ['floats'])],
};
const WASPS: Food = {
  name: 'wasps and hoppers',
  months: from(8, 9),
  imitations: [fly('terrestrial', [8, 12], ['bright', 'dark'], ['floats'])],
};

/**
 * What usually lives in a kind of water, by month, for waters of the cool north.
 *
 * A rule of thumb to start from, weeks out either way; stones turned at the water are what counts.
 */
export function usualCalendar(kind: WaterKind): Food[] {
  switch (kind) {
    case 'river':
      return [
        RIVER_MAYFLIES,
        WINTER_NYMPHS,
        CADDIS,
        STONEFLIES,
        MIDGES_RUNNING,
        SHRIMPS,
        LAND_INSECTS,
        WASPS,
        SMALL_FISH,
      ];
    case 'brook':
      return [RIVER_MAYFLIES, WINTER_NYMPHS, CADDIS, STONEFLIES, LAND_INSECTS, WASPS];
    case 'lake':
      return [
        MIDGES_STILL,
        FISH_EGGS,
        LAKE_MAYFLIES,
        LAKE_SEDGES,
        DAMSELS,
        DRAGONFLIES,
        SHRIMPS,
        LEECHES,
        BOATMEN,
        SNAILS,
        CRAYFISH,
        LAND_INSECTS,
        SMALL_FISH,
      ];
    case 'pond':
      return [JUST_STOCKED, MIDGES_STILL, DAMSELS, LEECHES, BOATMEN, LAND_INSECTS];
  }
}

/** What lives in a water: as somebody found it, else what is usual. */
export function calendarOf({ kind, calendar }: Pick<Water, 'kind' | 'calendar'>): readonly Food[] {
  return calendar ?? usualCalendar(kind);
}

/**
 * The calendar with a food in season in a month, or no longer.
 *
 * @param month 1…12
 */
export function withMonth(calendar: readonly Food[], name: string, month: number, inSeason: boolean): Food[] {
  return calendar.map((food) =>
    food.name === name
      ? {
          ...food,
          months: [...food.months.filter((other) => other !== month), ...(inSeason ? [month] : [])].sort(
            (a, b) => a - b,
          ),
        }
      : food,
  );
}

/**
 * The foods that matter in a month, 1…12.
 *
 * @param month 1…12
 */
export function foodsIn(calendar: readonly Food[], month: number): Food[] {
  return calendar.filter(({ months }) => months.includes(month));
}

import type { Chop, StoneFood, StrikeZone } from '@doceo/core';

/** Where to put the fly. */
export const ZONE_ADVICE: Record<StrikeZone['advice'], string> = {
  'bottom-slow': 'Cold: near the bottom, slow.',
  bottom: 'Near the bottom, until something moves up.',
  middle: 'In the middle and rising: a fly that swims up.',
  top: 'At the top: a dry, or an emerger in the film.',
};

/** What a wind makes of the surface of still water, and what that does to the fishing. */
export const CHOP_TEXTS: Record<Chop, string> = {
  glass: 'glass: the hardest surface to fish, finer and farther',
  ripple: 'ripple: hides line and angler a little',
  'light-chop': 'light chop: hides you, stirs food, best of all',
  rough: 'rough: from the bank; small craft only as their keeper and the local rule say',
};

/** How much food there is under stones. */
export const STONE_FOOD_TEXTS: Record<StoneFood['amount'], string> = {
  nothing: 'nothing found',
  poor: 'poor',
  middling: 'middling',
  rich: 'rich',
};

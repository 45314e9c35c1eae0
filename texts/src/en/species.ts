import type { Species } from '@doceo/core';

/** What each kind of fish is called. */
export const SPECIES_NAMES: Record<Species, string> = {
  'brown-trout': 'brown trout',
  'rainbow-trout': 'rainbow trout',
  grayling: 'grayling',
};

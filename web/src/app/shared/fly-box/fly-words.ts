import type { ColourFamily, WeightClass } from '@doceo/core';

/** Families of colour as one says them at the box. */
export const COLOUR_WORDS: Record<ColourFamily, string> = {
  light: 'light',
  drab: 'brown',
  dark: 'dark',
  bright: 'bright',
};

/** How heavy a fly is, as one says it at the box. */
export const WEIGHT_WORDS: Record<WeightClass, string> = {
  floats: 'floats',
  plain: 'no weight',
  bead: 'brass bead',
  heavy: 'tungsten',
};

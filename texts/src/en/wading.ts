import type { WadingReason } from '@doceo/core';

/** Why somebody wades less far than others, or not at all. */
export const WADING_REASONS: Record<WadingReason, string> = {
  cobble: 'the bottom is cobble',
  'slick-rock': 'the bottom is slick rock',
  mud: 'the bottom is mud',
  child: 'a child',
  older: 'an older wader',
  cold: 'the water is cold',
  'no-staff': 'no staff',
  'stays-on-bank': 'stays on the bank',
  'beyond-own-depth': 'deeper than this student goes',
  'half-height': 'deeper than half of the wader’s height',
  rising: 'the river is rising: out of the water',
};

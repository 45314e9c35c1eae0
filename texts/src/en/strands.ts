import type { Strand } from '@doceo/core';

export const STRAND_NAMES: Record<Strand, string> = {
  casting: 'Casting',
  rigging: 'Rigging',
  'hook-setting': 'Hook setting',
  water: 'Water choice',
  safety: 'Safety',
  'fish-care': 'Fish care',
};

/** The four strands, and the two that run through every lesson. */
export const STRANDS = ['casting', 'rigging', 'hook-setting', 'water', 'safety', 'fish-care'] as const;
export type Strand = (typeof STRANDS)[number];

export const STRAND_NAMES: Record<Strand, string> = {
  casting: 'Casting',
  rigging: 'Rigging',
  'hook-setting': 'Hook setting',
  water: 'Water choice',
  safety: 'Safety',
  'fish-care': 'Fish care',
};

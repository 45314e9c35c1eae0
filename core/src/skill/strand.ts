/** The four strands, and the two that run through every lesson. */
export const STRANDS = ['casting', 'rigging', 'hook-setting', 'water', 'safety', 'fish-care'] as const;
export type Strand = (typeof STRANDS)[number];

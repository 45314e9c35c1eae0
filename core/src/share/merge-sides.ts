/** The states that are put together: what both began with, and what each made of it. */
export const MERGE_SIDES = ['origin', 'mine', 'theirs'] as const;
export type MergeSide = (typeof MERGE_SIDES)[number];

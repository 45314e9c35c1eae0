/** What a student may need, of body, age or habit. A list, so that it can be reckoned with; the free note stays private. */
export const NEEDS = [
  'shoulder',
  'back',
  'one-hand',
  'seated',
  'child-height',
  'sees-badly',
  'hears-badly',
  'cannot-swim',
  'afraid-of-deep-water',
  'feels-the-cold',
  'left-hand',
  'reads-little',
] as const;
export type Need = (typeof NEEDS)[number];

/** How a drill bends to a need. What is left out stays as it is. */
export interface Adaptation {
  need: Need;
  /** Drill that is done in its place. */
  insteadId?: string | undefined;
  /** Factor on the line out, above 0 to 1. */
  line?: number | undefined;
  /** Factor on the minutes, above 0 to 2. */
  minutes?: number | undefined;
  /** Where to stand, in a few words. */
  stand?: string | undefined;
  /** What is done or said otherwise; may be empty when the figures say all. */
  words: string;
}

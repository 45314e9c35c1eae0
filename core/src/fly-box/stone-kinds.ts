/** Things under stones, by kind. */
export const STONE_KINDS = [
  'mayfly',
  'caddis',
  'stonefly',
  'midge',
  'shrimp',
  'snail',
  'damsel',
  'leech',
] as const;
export type StoneKind = (typeof STONE_KINDS)[number];

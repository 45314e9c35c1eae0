/** What must not be in a plan that is made, each by a name. */
export const HARD_RULES = [
  'two-places',
  'outside-lesson',
  'minutes',
  'group',
  'apart',
  'supervision',
  'minors',
  'ground',
  'room',
  'needs',
  'rests-on',
  'safety-first',
  'closed',
  'stock',
  'rig',
  'locked',
] as const;
export type HardRuleId = (typeof HARD_RULES)[number];

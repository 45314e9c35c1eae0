import { BLANK_CARD, type RuleCard } from '../water';

/** A rule card with two barbless hooks and nothing else to say. */
export const CARD: RuleCard = {
  ...BLANK_CARD,
  seasonFrom: '01-01',
  seasonTo: '12-31',
  maxHooks: 2,
  barbless: true,
  leadAllowed: false,
};

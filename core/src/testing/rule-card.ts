import type { RuleCard } from '../water';

/** A rule card with two barbless hooks and nothing else to say. */
export const CARD: RuleCard = {
  licence: '',
  seasonFrom: '01-01',
  seasonTo: '12-31',
  maxHooks: 2,
  barbless: true,
  leadAllowed: false,
  release: '',
  hours: '',
  other: '',
  whoSaysSo: '',
  checkedOn: null,
  checkedBy: null,
};

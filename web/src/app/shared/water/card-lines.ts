import type { Method, RuleCard } from '@doceo/core';
import { dayOfYearText } from '../../parts/dates';

/** A line of a rule card, with the text it says; null while nobody has said it. */
export interface CardLine {
  /** Its key among the sayings of a water, without `rules.`. */
  field: string;
  label: string;
  text: string | null;
}

/** What each method is called where it is not allowed. */
export const METHOD_NAMES: Record<Method, string> = {
  float: 'indicators',
  shot: 'shot on the leader',
  'sinking-fly': 'flies that sink',
  wading: 'wading',
};

function forbiddenText({ forbidden }: RuleCard): string | null {
  if (!forbidden) return null;
  return forbidden.length === 0
    ? 'nothing of these'
    : forbidden.map((method) => METHOD_NAMES[method]).join(', ');
}

/** A rule card as it is read, line by line. */
export function cardLines(rules: RuleCard): CardLine[] {
  const line = (field: string, label: string, text: string | null): CardLine => ({
    field,
    label,
    text: text || null,
  });
  const { seasonFrom, seasonTo, maxHooks, barbless, leadAllowed } = rules;
  return [
    line('licence', 'Licence', rules.licence),
    line(
      'season',
      'Season',
      seasonFrom && seasonTo && `${dayOfYearText(seasonFrom)} to ${dayOfYearText(seasonTo)}`,
    ),
    line('maxHooks', 'Hooks', maxHooks === null ? null : `${maxHooks} at the most`),
    line('barbless', 'Barbs', barbless === null ? null : barbless ? 'barbless only' : 'barbs allowed'),
    line('leadAllowed', 'Lead', leadAllowed === null ? null : leadAllowed ? 'lead allowed' : 'no lead'),
    line('forbidden', 'Not allowed', forbiddenText(rules)),
    line('release', 'Fish', rules.release),
    line('hours', 'Hours', rules.hours),
    line('other', 'Also', rules.other),
    line('whoSaysSo', 'Who says so', rules.whoSaysSo),
  ];
}

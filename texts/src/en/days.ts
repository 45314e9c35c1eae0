import type { DAY_PARTS, NoHours } from '@doceo/core';

const NO_HOURS: Record<NoHours, string> = {
  'unknown-place': 'Nobody has said where it lies, so its light is not known',
  'unknown-weather': 'Nobody tells its weather',
  'too-dark': 'Too little light in these hours',
  busy: 'You teach then',
  'closed-season': 'Closed season by the rule card',
};

/** Why a day at a water has no hours for a lesson. */
export function noHoursText(why: NoHours): string {
  return NO_HOURS[why];
}

/** What makes a day for a plan, as its bars say it. */
export const DAY_PART_NAMES: Record<(typeof DAY_PARTS)[number], string> = {
  alerts: 'Nothing warns',
  wind: 'Wind',
  warmth: 'Warmth for fish',
  dry: 'Dry',
  light: 'Light to spare',
  plan: 'Fits the plan',
};

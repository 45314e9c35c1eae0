import type { Entries, EntryKind } from '@doceo/core';
import { sameJson } from '../data/same-json';

/** A field in which two states of an entry differ, as each has it. */
export interface Difference {
  field: string;
  mine: string;
  theirs: string;
}

/** Fields by the words of their sheets. */
const FIELDS: Record<string, string> = {
  name: 'name',
  sentence: 'to a student',
  good: 'what good looks like',
  needs: 'rests on',
  faults: 'faults',
  shownBy: 'seen by',
  forgetDays: 'days until forgotten',
  short: 'on a button',
  sign: 'what is seen',
  cause: 'why',
  cure: 'cure',
  weight: 'weight',
  strand: 'strand',
  trains: 'trains',
  minutes: 'minutes',
  ground: 'ground',
  dryLand: 'on dry land',
  group: 'group',
  supervision: 'supervision',
  gear: 'gear',
  cue: 'cue',
  how: 'steps',
  success: 'done when',
  watchFor: 'looks out for',
  lineOutM: 'line out',
  attemptsPerMin: 'tries a minute',
  adaptations: 'for needs',
  text: 'question',
  choices: 'answers',
};
/** Said of one who retired the entry or put it back as it was below. */
const GONE = 'retired, or as it was below';
const LONGEST = 120;

/** Where two states of one entry differ, field by field; one field for all where one of them is gone. */
export function differences(
  mine: Entries[EntryKind] | undefined,
  theirs: Entries[EntryKind] | undefined,
): Difference[] {
  if (!mine || !theirs)
    return [{ field: 'all of it', mine: mine ? 'changed' : GONE, theirs: theirs ? 'changed' : GONE }];
  const [a, b] = [Object.entries(mine), new Map<string, unknown>(Object.entries(theirs))];
  return a.flatMap(([key, value]) =>
    sameJson(value, b.get(key))
      ? []
      : [{ field: FIELDS[key] ?? key, mine: told(value), theirs: told(b.get(key)) }],
  );
}

function told(value: unknown): string {
  const text =
    typeof value === 'string' || typeof value === 'number'
      ? String(value)
      : Array.isArray(value)
        ? value
            .map((one) => (typeof one === 'object' ? told(Object.values(one as object)) : String(one)))
            .join(', ')
        : Object.values((value ?? {}) as object).join(', ');
  return text === '' ? 'nothing' : text.length > LONGEST ? `${text.slice(0, LONGEST)} …` : text;
}

import type { StudentPage } from '@doceo/contract';

type Well = NonNullable<StudentPage['well']>;
type Stream = StudentPage['streams'][number];

/** Names of the streams, as a student would say them. */
const STREAM_NAMES: Partial<Record<Stream['strand'], string>> = {
  casting: 'Casting',
  rigging: 'Knots and rig',
  'hook-setting': 'The take',
  water: 'Reading water',
};

export function streamName({ strand }: Stream): string {
  return STREAM_NAMES[strand] ?? strand;
}

/** `You have: see the take. Next: set timing.` */
export function streamText({ has, learning, hasName, nextName }: Stream): string {
  const next = nextName && `Next: ${small(nextName)}.`;
  if (!hasName)
    return [has + learning > 0 ? 'You have begun.' : 'Not begun.', next].filter(Boolean).join(' ');
  return next ? `You have: ${small(hasName)}. ${next}` : 'You have all of it.';
}

/** `You saw 9 of the last 10 takes.`, for any other skill `Stop: 9 good of the last 10.` */
export function wellText({ skillId, skillName, tries }: Well): string {
  const good = tries.filter(Boolean).length;
  return skillId === 'hook-setting.see-take'
    ? `You saw ${good} of the last ${tries.length} takes.`
    : `${skillName}: ${good} good of the last ${tries.length}.`;
}

/** `In September it was 3.`, null where nothing was worse before. */
export function beforeText({ before }: Well, lessonOn: string): string | null {
  if (!before) return null;
  const month = new Date(`${before.on}T12:00:00Z`).toLocaleDateString('en-GB', {
    month: 'long',
    timeZone: 'UTC',
    ...(before.on.slice(0, 4) === lessonOn.slice(0, 4) ? {} : { year: 'numeric' }),
  });
  return `In ${month} it was ${before.good}.`;
}

/** What a beat tapped along says, seconds against those the line needs. */
export function tempoText(
  { backS, unevenness }: { backS: number; unevenness: number },
  { fromS, toS }: { fromS: number; toS: number },
): string {
  const wait = `You waited ${backS.toFixed(1)} s; this line needs ${fromS.toFixed(1)} to ${toS.toFixed(1)} s.`;
  const way = backS < fromS ? 'Wait longer.' : backS > toS ? 'A little sooner.' : 'That is it.';
  return `${wait} ${way}${unevenness > UNEVEN ? ' It was not even yet.' : ''}`;
}

/** Waits that differ more than this share of their mean are called uneven. Rule of thumb. */
const UNEVEN = 0.15;

/** What a run of takes came to. */
export function takesText(hits: number, takes: number, falseAlarms: number): string {
  if (takes === 0) return 'No take came in that time. Once more?';
  const onNothing =
    falseAlarms === 0 ? '' : ` ${falseAlarms} ${falseAlarms === 1 ? 'set' : 'sets'} on nothing.`;
  return `You saw ${hits} of ${takes} takes.${onNothing}`;
}

export function firstName(name: string): string {
  return name.split(/\s/)[0] ?? name;
}

function small(text: string): string {
  // A name that begins with two capitals stays as it is.
  return /^\p{Lu}\p{Lu}/u.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);
}

import {
  type DriftSetup,
  type DriftWhy,
  formatLength,
  formatSpeed,
  type Handling,
  type Presentation,
  type SetupFault,
  type UnitSystem,
} from '@doceo/core';

/** What the rod does, in words. */
export const HANDLING_TEXTS: Record<Handling, string> = {
  still: 'held still',
  follow: 'rod follows',
  'reach-up': 'reach up',
  'reach-down': 'reach down',
  'high-stick': 'high-stick',
};

export const HANDLING_REASONS: Record<Handling, string> = {
  still: 'The tip stays where it is; the line must do it alone.',
  follow: 'The tip goes along with the drift as far as the arm reaches.',
  'reach-up': 'The rod is laid up the stream before the line lands, then follows.',
  'reach-down': 'The rod is laid down the stream before the line lands, then follows.',
  'high-stick': 'Short line, rod high: most of it never touches the water.',
};

export const FAULT_TEXTS: Record<SetupFault, string> = {
  'cast-too-long': 'That cast is over 15 m: go nearer, or aim nearer.',
  'cast-too-short': 'The fly would land under the rod tip: aim further, or step back.',
  'lie-outside': 'The fly would land beyond the last lane.',
  'stand-beyond-lie': 'You would stand over the fish: step back.',
  'act-after-end': 'Something is done after the drift has ended: move it, or lengthen the drift.',
};

/** A presentation, in words: where one stands, what the rod does, the mend. */
export function presentationText(
  { standM, handling, mend }: Pick<Presentation, 'standM' | 'handling' | 'mend'>,
  place: Pick<DriftSetup, 'lieM' | 'outM'>,
  units: UnitSystem,
): string {
  const rod = handling === 'still' ? '' : `, ${HANDLING_TEXTS[handling]}`;
  const line = mend ? `, ${formatLength(mend.sizeM, units)} mend ${mend.way} at ${mend.atS} s` : '';
  return `${castText({ ...place, standM })}${rod}${line}`;
}

/** A whole drift, in words: how it is presented, with its first mend. */
export function driftText(setup: DriftSetup, units: UnitSystem): string {
  const mend = setup.acts.find(({ kind }) => kind === 'mend') ?? null;
  return presentationText({ ...setup, mend }, setup, units);
}

/** Which way the cast goes, by where one stands. */
export function castText({ standM, lieM, outM }: Pick<DriftSetup, 'standM' | 'lieM' | 'outM'>): string {
  const slope = standM / (lieM - outM);
  if (slope > 0.55) return 'Quarter up';
  if (slope > 0.15) return 'A little up';
  if (slope >= -0.15) return 'Across';
  if (slope >= -0.55) return 'A little down';
  return 'Quarter down';
}

/** Why it drags, from the run's own figures. */
export function whyText(why: DriftWhy, setup: DriftSetup, onsetS: number | null, units: UnitSystem): string {
  const speed = (ms: number): string => formatSpeed(Math.abs(ms), units);
  if (onsetS === null)
    return setup.from === 'boat'
      ? 'Boat, line and fly go with water of much the same speed: nothing tightens while it drifts.'
      : 'Nothing tightens before the drift ends.';
  const pulled =
    why.pulledAtM === null || why.pulledMs === null || Math.abs(why.pulledMs) < 0.05
      ? 'The line comes tight on the rod: there is no more of it to go along.'
      : `${formatLength(why.pulledAtM, units)} out the water runs ${speed(why.pulledMs)} ${why.pulledMs > 0 ? 'faster' : 'slower'} than the fly’s. It takes the line first, and the line takes the fly.`;
  const mend =
    Math.abs(why.betweenMs) < 0.1
      ? ''
      : why.betweenMs > 0
        ? ' The water between is faster: mend up.'
        : ' The water between is slower or runs back: mend down.';
  return pulled + mend;
}

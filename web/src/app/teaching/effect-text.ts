import type { DrillEffect } from '@doceo/core';

/** How well a drill worked in the instructor's own lessons, in a sentence. */
export function effectText({ n, students, attempts, rise }: DrillEffect): string {
  const bouts = `${n} ${n === 1 ? 'bout' : 'bouts'} of ${students} ${students === 1 ? 'student' : 'students'}`;
  const of100 = (share: number): string => (100 * share).toFixed(0);
  return rise
    ? `${bouts}, ${attempts} tries: the estimate rose by ${of100(rise.mean)} of 100 (${of100(rise.low)} to ${of100(rise.high)}).`
    : `${bouts}, ${attempts} tries: too few to say how well it works.`;
}

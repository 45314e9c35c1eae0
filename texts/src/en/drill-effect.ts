import type { DrillEffect } from '@doceo/core';

/** How well a drill worked in the instructor's own lessons, in a sentence. */
export function drillEffectText({ n, students, attempts, rise }: DrillEffect): string {
  const of = `${counted(n, 'bout', 'bouts')} of ${counted(students, 'student', 'students')}, ${counted(attempts, 'try', 'tries')}`;
  return rise
    ? `${of}: the estimate ${movedText(rise.mean)} (likely ${signed(rise.low)} to ${signed(rise.high)}).`
    : `${of}: too few to say how well it works.`;
}

/**
 * How an estimate moved: `rose by 6 of 100`.
 *
 * @param rise 0…1, below zero where it fell
 */
export function movedText(rise: number): string {
  const by = Math.abs(100 * rise).toFixed(0);
  if (by === '0') return 'hardly moved';
  return `${rise > 0 ? 'rose' : 'fell'} by ${by} of 100`;
}

function signed(share: number): string {
  const by = Math.abs(100 * share).toFixed(0);
  if (by === '0') return by;
  return share > 0 ? `+${by}` : `−${by}`;
}

function counted(count: number, one: string, many: string): string {
  return `${count} ${count === 1 ? one : many}`;
}

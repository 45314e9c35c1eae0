import { pauseTable, type PauseRow, DEFAULT_THROW } from '@doceo/core';

/** A stop of the rod: when, counted from the start, and which way. */
export interface BeatStop {
  atS: number;
  way: 'back' | 'forward';
}

/** A pause and the stroke after it, seconds: from one stop to the next. */
export interface Beat {
  pauseS: number;
  strokeS: number;
}

/** The beat of a length of line, from the same table that is printed; null where the line never straightens. */
export function beatOf(lineM: number, headWindMs = 0): Beat | null {
  const row = rowOf(lineM, headWindMs);
  if (row.pauseS === null || row.beatsPerMin === null) return null;
  return { pauseS: row.pauseS, strokeS: 60 / row.beatsPerMin - row.pauseS };
}

export function rowOf(lineM: number, headWindMs = 0): PauseRow {
  return pauseTable([lineM], { ...DEFAULT_THROW, headWindMs })[0]!;
}

/** Stops from a time on until another, the first one back at zero. */
export function stopsBetween({ pauseS, strokeS }: Beat, fromS: number, untilS: number): BeatStop[] {
  const everyS = pauseS + strokeS;
  const first = Math.max(0, Math.ceil(fromS / everyS - 1e-9));
  const count = Math.max(0, Math.ceil(untilS / everyS - 1e-9) - first);
  return Array.from({ length: count }, (_, i) => ({
    atS: (first + i) * everyS,
    way: (first + i) % 2 === 0 ? 'back' : 'forward',
  }));
}

/** What the rod does at a time: pausing after a stop, or on its way to the next, and how far through that it is. */
export function beatAt(
  { pauseS, strokeS }: Beat,
  atS: number,
): { way: BeatStop['way']; pausing: boolean; share: number } {
  const everyS = pauseS + strokeS;
  const index = Math.floor(atS / everyS);
  const into = atS - index * everyS;
  const pausing = into < pauseS;
  const after: BeatStop['way'] = index % 2 === 0 ? 'back' : 'forward';
  return {
    way: pausing ? after : after === 'back' ? 'forward' : 'back',
    pausing,
    share: pausing ? into / pauseS : (into - pauseS) / strokeS,
  };
}

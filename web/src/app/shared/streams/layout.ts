import type { Strand } from '@doceo/core';

/** A name beside its reach, and on the desk the line that leads to it. */
export interface ReachLabel {
  x: number;
  y: number;
  lines: string[];
  tick: { y1: number; y2: number } | null;
}

/** How the streams lie: where each begins, where they join, and where the name of a reach stands. */
export interface Layout {
  direction: 'right' | 'down';
  width: number;
  height: number;
  /** Half the bed's width. */
  bed: number;
  swing: number;
  starts: Record<Strand, { x: number; y: number; length: number }>;
  /** Where the streams join; null where they make no river. */
  mouth: { x: number; y: number } | null;
  label: (place: { x: number; y: number }, index: number, name: string, step: number) => ReachLabel;
}

/** The strands that join into the river, and those that run beside it. */
export const MAIN: Strand[] = ['casting', 'rigging', 'hook-setting', 'water'];
export const BESIDE: Strand[] = ['safety', 'fish-care'];

export const ROW = 126;
const FIRST_ROW = 86;
export const COLUMN = 92;
/** Where the first column stands on a phone, with room for the lines beside it. */
const LEFT = 18;
const STEP = 50;
const LINE = 12;
/** Mean width of a letter on the desk, pixels. */
const LETTER = 6.2;

/** What the river takes beside the streams on the desk, and what lies below them on a phone with it and without, pixels. */
const DESK_MOUTH = 74;
const PHONE_MOUTH = 176;
const PHONE_GAP = 50;

/** Least width of a reach on the desk, pixels. */
const DESK_STEP = 45;

/** With many reaches the drawing grows wider, for one finger must part two of them. */
const desk = (longest: number, river: boolean): Layout => {
  const least = river ? 776 : 872;
  const length = Math.max(least, longest * DESK_STEP);
  const more = length - least;
  return {
    direction: 'right',
    width: 960 + more - (river ? 0 : DESK_MOUTH),
    height: FIRST_ROW + 4 * ROW + 48,
    bed: 20,
    swing: 4,
    starts: {
      casting: { x: 4, y: FIRST_ROW, length },
      rigging: { x: 4, y: FIRST_ROW + ROW, length },
      'hook-setting': { x: 4, y: FIRST_ROW + 2 * ROW, length },
      water: { x: 4, y: FIRST_ROW + 3 * ROW, length },
      safety: { x: 4, y: FIRST_ROW + 4 * ROW, length: 440 + more / 2 },
      'fish-care': { x: 500 + more / 2, y: FIRST_ROW + 4 * ROW, length: 380 + more / 2 },
    },
    mouth: river ? { x: 850 + more, y: FIRST_ROW + 1.5 * ROW } : null,
    label: ({ x, y }, index, name, step) => {
      const high = index % 2 === 1;
      // A label has the width of two reaches, since the next one stands at the other height.
      // The first is pushed from the edge towards the line of the second.
      const lines = wrap(name, Math.floor(Math.min(2 * step - LETTER, x + step) / LETTER));
      const bottom = y - (high ? 52 : 28);
      return {
        x: Math.max(x, (Math.max(...lines.map(({ length }) => length)) * LETTER) / 2),
        y: bottom - (lines.length - 1) * LINE,
        lines,
        tick: high ? { y1: bottom + 4, y2: y - 22 } : null,
      };
    },
  };
};

const phone = (longest: number, beside: number, river: boolean): Layout => {
  const top = 34;
  const length = longest * STEP;
  const below = top + length + (river ? PHONE_MOUTH : PHONE_GAP);
  return {
    direction: 'down',
    width: LEFT + 4 * COLUMN,
    height: below + beside * STEP + 6,
    bed: 9,
    swing: 2,
    starts: {
      casting: { x: LEFT, y: top, length },
      rigging: { x: LEFT + COLUMN, y: top, length },
      'hook-setting': { x: LEFT + 2 * COLUMN, y: top, length },
      water: { x: LEFT + 3 * COLUMN, y: top, length },
      safety: { x: LEFT, y: below, length: beside * STEP },
      'fish-care': { x: LEFT + 2 * COLUMN, y: below, length: beside * STEP },
    },
    mouth: river ? { x: LEFT + 1.9 * COLUMN, y: top + length + 66 } : null,
    label: ({ x, y }, _index, name) => {
      const lines = wrapNarrow(name, 11);
      return { x: x + 14, y: y + 4 - ((lines.length - 1) * LINE) / 2, lines, tick: null };
    },
  };
};

/**
 * @param longest reaches of the longest of the four strands
 * @param beside reaches of the longer of the two that run beside
 * @param river whether the four join into a river, which takes room
 */
export function layoutFor(
  place: 'desk' | 'phone',
  { longest, beside, river }: { longest: number; beside: number; river: boolean },
): Layout {
  return place === 'desk' ? desk(Math.max(longest, 1.8 * beside), river) : phone(longest, beside, river);
}

/** Words in at most two lines of about this many letters. */
function wrap(text: string, most: number): string[] {
  if (text.length <= most) return [text];
  const words = text.split(' ');
  let first = '';
  while (words.length > 1 && `${first} ${words[0]}`.trim().length <= Math.max(most, text.length / 2))
    first = `${first} ${words.shift()}`.trim();
  return [first || (words.shift() ?? ''), words.join(' ')].filter(Boolean);
}

/** Words in as many lines as it takes; a hyphen may end one. */
function wrapNarrow(text: string, most: number): string[] {
  return text.split(/ |(?<=-)/).reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    if (last === undefined) return [word];
    const joined = last.endsWith('-') ? last + word : `${last} ${word}`;
    return joined.length <= most ? [...lines.slice(0, -1), joined] : [...lines, word];
  }, []);
}

import type { BlockKind } from '@doceo/core';

/** A block without a drill, as it is put in. */
export interface PlainKind {
  kind: BlockKind;
  /** On its button, and its title until it is given another one. */
  text: string;
  title: string;
  minutes: number;
}

/** What is put into a plan besides drills. */
export const PLAIN_KINDS: readonly PlainKind[] = [
  { kind: 'warm-up', text: 'Warm-up', title: 'Warm-up', minutes: 5 },
  { kind: 'talk', text: 'Talk', title: 'Talk', minutes: 10 },
  { kind: 'demonstration', text: 'Show it', title: 'I show it', minutes: 10 },
  { kind: 'fishing', text: 'Fishing', title: 'Fishing on their own', minutes: 30 },
  { kind: 'break', text: 'Break', title: 'Break', minutes: 10 },
  { kind: 'debrief', text: 'Debrief', title: 'What went well', minutes: 10 },
];

import type { EntryKind } from '@doceo/core';

/** The entry whose sheet is open. */
export interface ChosenEntry {
  kind: EntryKind;
  id: string;
}

export const KIND_WORDS: Record<EntryKind, string> = {
  skill: 'Skill',
  fault: 'Fault',
  drill: 'Drill',
  question: 'Question',
};

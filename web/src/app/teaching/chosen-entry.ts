import type { Entries, EntryKind } from '@doceo/core';

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

/** What an entry goes by. */
export function entryName(entry: Entries[EntryKind]): string {
  return 'name' in entry ? entry.name : 'short' in entry ? entry.short : entry.text;
}

import type { Curriculum, Drill, Entries, EntryKind } from '@doceo/core';
import type { ChosenEntry } from './chosen-entry';

/** An entry with the name it goes by. */
export interface NamedEntry extends ChosenEntry {
  name: string;
}

/**
 * What is taught, found by words; without words what belongs to a skill, and skills are not among it.
 *
 * @param words in small letters
 * @param skillId null for all
 */
export function listedEntries(
  { drills, faults, questions, skills }: Curriculum,
  words: string,
  skillId: string | null,
): NamedEntry[] {
  const about = (entry: Entries[EntryKind], kind: EntryKind): boolean =>
    skillId === null ||
    (kind === 'drill' && (entry as Drill).trains.some((one) => one.skillId === skillId)) ||
    (kind === 'fault' && skills.get(skillId).faults.includes(entry.id)) ||
    (kind === 'question' && (entry as Entries['question']).skillId === skillId);
  const all = [
    ...drills.all.map((entry) => ({ kind: 'drill' as const, entry, name: entry.name })),
    ...faults.all.map((entry) => ({ kind: 'fault' as const, entry, name: entry.short })),
    ...questions.all.map((entry) => ({ kind: 'question' as const, entry, name: entry.text })),
    ...(words ? skills.all.map((entry) => ({ kind: 'skill' as const, entry, name: entry.name })) : []),
  ];
  return all
    .filter(({ kind, entry, name }) => (words ? name.toLowerCase().includes(words) : about(entry, kind)))
    .map(({ kind, entry, name }) => ({ kind, id: entry.id, name }));
}

import type { SavedStudent } from '@doceo/contract';
import { callNames } from '../data/lesson/lesson-texts';

/** Whose an entry is, by first names; what is the group's, or of everybody in a larger one, is of all. */
export function whoseText(ids: readonly (string | null)[], students: readonly SavedStudent[]): string {
  const called = callNames(students);
  const names = ids.map((id) => called.get(id ?? '') ?? 'All');
  return names.length === students.length && names.length > 2 ? 'All' : names.join(', ');
}

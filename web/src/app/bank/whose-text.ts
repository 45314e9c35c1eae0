import type { SavedStudent } from '@doceo/contract';
import { firstName } from '../data/lesson/lesson-texts';

/** Whose an entry is, by first names; what is the group's, or of everybody in a larger one, is of all. */
export function whoseText(ids: readonly (string | null)[], students: readonly SavedStudent[]): string {
  const names = ids.map((id) => {
    const found = students.find((student) => student.id === id);
    return found ? firstName(found.student.name) : 'All';
  });
  return names.length === students.length && names.length > 2 ? 'All' : names.join(', ');
}

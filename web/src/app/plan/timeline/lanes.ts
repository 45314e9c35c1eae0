import type { SavedStudent } from '@doceo/contract';
import { aboutStudent, callNames } from '../../data/lesson/lesson-texts';

/** A place in the group: who has it, and what matters of him. */
export interface Lane {
  name: string;
  note: string;
}

/** The places of a plan with those who come; a place beyond them has its number. */
export function lanesOf(students: readonly SavedStudent[], groupSize: number): Lane[] {
  const called = callNames(students);
  return Array.from({ length: Math.max(groupSize, students.length) }, (_, i) => {
    const [id, student] = [students[i]?.id ?? '', students[i]?.student];
    return {
      name: student ? (called.get(id) ?? student.name) : `Student ${i + 1}`,
      note: student ? aboutStudent(student) : '',
    };
  });
}

const PLACE = /^Student (\d+)$/;

/** Whether a name stands for a place that nobody has yet. */
export function isPlace(name: string): boolean {
  return PLACE.test(name);
}

/** Two letters of a name, those of both its parts where it has two; the number of a student who has none. */
export function shortName(name: string): string {
  const [first = '', second = ''] = name.split(' ');
  return PLACE.exec(name)?.[1] ?? (second ? first.slice(0, 1) + second.slice(0, 1) : first.slice(0, 2));
}

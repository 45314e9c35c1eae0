import type { SavedLesson, SavedStudent } from '@doceo/contract';

/** Of a group those whom a user has in a lesson, and those whom others have; who teaches alone, or has nobody, has all. */
export function parted(
  students: readonly SavedStudent[],
  lesson: Pick<SavedLesson, 'instructors'> | null,
  userId: string | undefined,
): { mine: readonly SavedStudent[]; others: readonly SavedStudent[] } {
  const { instructors = [] } = lesson ?? {};
  if (instructors.length < 2) return { mine: students, others: [] };
  const own = instructors.find((one) => one.userId === userId)?.studentIds ?? [];
  const mine = students.filter(({ id }) => own.includes(id));
  if (mine.length === 0) return { mine: students, others: [] };
  return { mine, others: students.filter(({ id }) => !own.includes(id)) };
}

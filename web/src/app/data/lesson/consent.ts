import { ageOn, type SavedLesson, type SavedStudent } from '@doceo/contract';
import { mayBeRecorded } from '@doceo/core';
import { localDate } from './local-date';

/** Why nothing is recorded of a student in a lesson, or null. */
export function whyNotRecorded(
  { student }: Pick<SavedStudent, 'student'>,
  lesson: SavedLesson,
  timeZone: string,
): string | null {
  const age = ageOn(student.bornOn, localDate(lesson.startsAt, timeZone));
  return mayBeRecorded(age, student.guardianConsentOn !== null)
    ? null
    : `${student.name} is ${age} and no guardian’s consent is on file. Nothing is recorded.`;
}

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
  if (mayBeRecorded(age, student.saidAdult, student.guardianConsentOn !== null)) return null;
  return age === null
    ? `Nobody has said whether ${student.name} is 18 or older. Nothing is recorded until somebody does, under Record.`
    : `${student.name} is ${age} and no guardian’s consent is on file. Nothing is recorded.`;
}

import { ageOn, type SavedStudent } from '@doceo/contract';
import { mayBeRecorded } from '@doceo/core';
import type { Db } from '../db/pool';
import { HttpError } from '../http/errors';
import { findStudentsById } from './students.sql';

/**
 * Why nothing of a student is recorded on a day, null when it may be.
 *
 * @param day ISO date or instant
 */
export function whyNotRecorded({ student }: Pick<SavedStudent, 'student'>, day: string): string | null {
  const age = ageOn(student.bornOn, day);
  if (mayBeRecorded(age, student.saidAdult, student.guardianConsentOn !== null)) return null;
  return age === null
    ? 'Nobody has said whether the student is of age; nothing is recorded until then.'
    : 'No guardian’s consent is on file; nothing is recorded.';
}

/** @throws HttpError 'invalid' naming `studentId` when it is no student of the user's, or nothing may be recorded of him */
export async function recordedStudent(db: Db, userId: string, id: string | null, day: string): Promise<void> {
  if (id === null) return;
  const [found] = await findStudentsById(db, userId, [id]);
  const why = found ? whyNotRecorded(found, day) : null;
  if (!found || why !== null)
    throw new HttpError('invalid', [
      found
        ? { path: 'studentId', code: 'no-consent', message: `may not be named: ${why}` }
        : { path: 'studentId', code: 'unknown', message: 'is no student of yours' },
    ]);
}

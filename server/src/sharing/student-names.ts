import { namesIn } from '@doceo/contract';
import type { SharedPlan } from '@doceo/core';
import type { Db } from '../db/pool';
import { HttpError } from '../http/errors';
import { findStudents } from '../students/students.sql';

/** @throws HttpError 'invalid' where what is to leave names a student of the user */
export async function refuseStudentNames(db: Db, userId: string, value: object): Promise<void> {
  const issues = namesIn(value, await namesOf(db, userId));
  if (issues.length > 0)
    throw new HttpError('invalid', issues, 'It names a student. Take the name out before it is shared.');
}

/** Whether a plan names no student of the user: only then others are told of its states. */
export async function namesNobody(db: Db, userId: string, { title, body }: SharedPlan): Promise<boolean> {
  return namesIn({ title, body }, await namesOf(db, userId)).length === 0;
}

/** Full names of the students of a user. */
export async function namesOf(db: Db, userId: string): Promise<string[]> {
  return (await findStudents(db, userId)).map(({ student }) => student.name);
}

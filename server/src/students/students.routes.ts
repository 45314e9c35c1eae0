import { api, type SavedStudent, STUDENT_FILE_FORMAT, STUDENT_FILE_VERSION } from '@doceo/contract';
import type { Router } from 'express';
import { type Pool, transaction } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findEventsOfStudents } from '../events/events.sql';
import { findReadings } from '../readings/readings.sql';
import { importStudent } from './import';
import {
  deleteStudent,
  findDeletionEffect,
  findLessonsOfStudent,
  findLooks,
  insertLook,
} from './privacy.sql';
import { findStudents, findStudentsById, insertStudent, updateStudent } from './students.sql';

export function studentRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.students.list, ({ user }) => findStudents(pool, user.id));

  route(router, pool, api.students.get, ({ user, params }) => visibleStudent(pool, user.id, params.id));

  route(router, pool, api.students.create, async ({ user, body }) => {
    const [existing] = await findStudentsById(pool, user.id, [body.id]);
    if (!existing) await insertStudent(pool, user.id, body.id, body.student);
    return existing ?? visibleStudent(pool, user.id, body.id);
  });

  route(router, pool, api.students.update, async ({ user, params, body }) => {
    const { mine } = await visibleStudent(pool, user.id, params.id);
    if (!mine) throw new HttpError('forbidden');
    await updateStudent(pool, user.id, params.id, body);
    return visibleStudent(pool, user.id, params.id);
  });

  route(router, pool, api.students.export, async ({ user, params: { id } }) => {
    const { student } = await visibleStudent(pool, user.id, id);
    await insertLook(pool, id, user.id, 'export');
    const readings = (await findReadings(pool, user.id)).filter(({ studentId }) => studentId === id);
    return {
      format: STUDENT_FILE_FORMAT,
      version: STUDENT_FILE_VERSION,
      writtenAt: new Date().toISOString(),
      student: { id, ...student },
      lessons: await findLessonsOfStudent(pool, id),
      events: await findEventsOfStudents(pool, [id]),
      readings: readings.map(({ mine: _mine, ...reading }) => reading),
    };
  });

  route(router, pool, api.students.import, async ({ user, body }) => {
    const today = new Date().toISOString().slice(0, 10);
    const id = await transaction(pool, (db) => importStudent(db, user.id, body, today));
    return visibleStudent(pool, user.id, id);
  });

  route(router, pool, api.students.effect, async ({ user, params: { id } }) => {
    await ownStudent(pool, user.id, id);
    return findDeletionEffect(pool, id);
  });

  route(router, pool, api.students.remove, async ({ user, params: { id } }) => {
    await ownStudent(pool, user.id, id);
    await deleteStudent(pool, user.id, id);
    return { ok: true as const };
  });

  route(router, pool, api.students.looks, async ({ user, params: { id } }) => {
    await ownStudent(pool, user.id, id);
    return findLooks(pool, id);
  });
}

/** @throws HttpError 'not-found', or 'forbidden' for a student of another instructor */
async function ownStudent(pool: Pool, userId: string, id: string): Promise<void> {
  const { mine } = await visibleStudent(pool, userId, id);
  if (!mine) throw new HttpError('forbidden');
}

/** @throws HttpError 'invalid' naming `studentId` when somebody is named whom the user may not see */
export async function knownStudent(pool: Pool, userId: string, id: string | null): Promise<void> {
  if (id !== null && (await findStudentsById(pool, userId, [id])).length === 0)
    throw new HttpError('invalid', [
      { path: 'studentId', code: 'unknown', message: 'is no student of yours' },
    ]);
}

/** @throws HttpError 'not-found' */
export async function visibleStudent(pool: Pool, userId: string, id: string): Promise<SavedStudent> {
  const [student] = await findStudentsById(pool, userId, [id]);
  if (!student) throw new HttpError('not-found');
  return student;
}

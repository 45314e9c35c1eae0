import { api, type SavedStudent } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import { noteBack, noteDeleted } from '../backup/deletions.sql';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { hasManyEvents } from '../events/events.sql';
import { forgetOutcomes } from '../circles/outcomes.sql';
import { route } from '../http/route';
import { findLastNo } from '../consents/consents.sql';
import { importStudent } from './import';
import { deleteStudent, findDeletionEffect, findLooks } from './privacy.sql';
import { whyNotRecorded } from './recorded';
import { takenStudentFile } from './student-file';
import {
  findStudentsById,
  findStudentsPage,
  insertStudent,
  lockStudent,
  updateStudent,
} from './students.sql';

export function studentRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.students.list, 'signed-in', async ({ user, query }) => {
    const students = await findStudentsPage(pool, user.id, query);
    return user.assists ? students.map(forAssistant) : students;
  });

  route(router, pool, api.students.get, may('see', 'student'), ({ user, params }) =>
    visibleStudent(pool, user.id, params.id),
  );

  route(router, pool, api.students.create, 'signed-in', async ({ user, body }) => {
    const [existing] = await findStudentsById(pool, user.id, [body.id]);
    if (!existing) await insertStudent(pool, user.id, body.id, body.student);
    return existing ?? visibleStudent(pool, user.id, body.id);
  });

  route(router, pool, api.students.update, may('change', 'student'), async ({ user, params, body }) => {
    await pool.transaction(async (db) => {
      await lockStudent(db, params.id);
      const { student } = await visibleStudent(db, user.id, params.id);
      if (body.guardianConsentOn !== null && student.guardianConsentOn === null) {
        await refuseAgainstNo(db, params.id);
        await noteBack(db, 'consent', params.id);
      }
      if (body.guardianConsentOn === null && student.guardianConsentOn !== null)
        await noteDeleted(db, 'consent', params.id);
      await updateStudent(db, user.id, params.id, body);
    });
    return visibleStudent(pool, user.id, params.id);
  });

  route(
    router,
    pool,
    api.students.export,
    may('export', 'student'),
    async ({ user, params: { id }, log, passOnIf }) => {
      const student = await visibleStudent(pool, user.id, id);
      passOnIf(await hasManyEvents(pool, 'student_id', [id]));
      log.info({ userId: user.id, studentId: id }, 'record exported');
      return takenStudentFile(pool, user.id, student);
    },
  );

  route(router, pool, api.students.import, 'signed-in', async ({ user, body, log }) => {
    const today = new Date().toISOString().slice(0, 10);
    const id = await pool.transaction((db) => importStudent(db, user.id, body, today));
    log.info({ userId: user.id, studentId: id }, 'record taken in');
    return visibleStudent(pool, user.id, id);
  });

  route(router, pool, api.students.deletionPreview, may('remove', 'student'), ({ user, params: { id } }) =>
    findDeletionEffect(pool, id, user.id),
  );

  route(
    router,
    pool,
    api.students.remove,
    may('remove', 'student'),
    async ({ user, params: { id }, log }) => {
      await pool.transaction(async (db) => {
        await deleteStudent(db, user.id, id);
        await forgetOutcomes(db, user.id);
      });
      log.info({ userId: user.id, studentId: id }, 'student deleted');
      return { ok: true as const };
    },
  );

  route(router, pool, api.students.accessLog, may('see-access-log', 'student'), ({ params: { id } }) =>
    findLooks(pool, id),
  );
}

/** What matters at the water, without a birthday, a note or a guardian; whether he may be recorded is settled here. */
function forAssistant(saved: SavedStudent): SavedStudent {
  const today = new Date().toISOString().slice(0, 10);
  const { name, hand, heightM, needs } = saved.student;
  const recorded = whyNotRecorded(saved, today) === null;
  return {
    ...{ id: saved.id, mine: false },
    student: {
      ...{ name, hand, heightM, needs, bornOn: null, saidAdult: recorded },
      ...{ note: '', guardianName: '', guardianContact: '', guardianConsentOn: null },
    },
  };
}

/** @throws HttpError 'invalid' naming `studentId` when somebody is named whom the user may not see */
export async function knownStudent(db: Db, userId: string, id: string | null): Promise<void> {
  if (id !== null && (await findStudentsById(db, userId, [id])).length === 0)
    throw new HttpError('invalid', [
      { path: 'studentId', code: 'unknown', message: 'is no student of yours' },
    ]);
}

/**
 * What a guardian took back by a link is given again by a link alone: not by a form that was open meanwhile.
 *
 * @throws HttpError 'invalid' naming `guardianConsentOn`
 */
async function refuseAgainstNo(db: Db, id: string): Promise<void> {
  const noOn = await findLastNo(db, id);
  if (noOn !== null)
    throw new HttpError('invalid', [
      {
        path: 'guardianConsentOn',
        code: 'taken-back',
        message: `was refused or taken back by the guardian on ${noOn}; ask anew by a link`,
      },
    ]);
}

/** @throws HttpError 'not-found' */
async function visibleStudent(db: Db, userId: string, id: string): Promise<SavedStudent> {
  const [student] = await findStudentsById(db, userId, [id]);
  if (!student) throw new HttpError('not-found');
  return student;
}

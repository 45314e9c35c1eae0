import { api } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import { newToken } from '../access/token';
import type { Pool } from '../db/pool';
import { insertEvents } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { lockStudent } from '../students/students.sql';
import {
  closeStudentLink,
  deleteWaiting,
  findHomeNews,
  findStudentLinks,
  findWaiting,
  groupedByDay,
  insertStudentLink,
  isInLesson,
  isStudentLink,
} from './pages.sql';

/** Links to a student's page, and what comes back from there, looked at before it counts. */
export function pageRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.pages.list, may('give-page', 'student'), ({ params: { id } }) =>
    findStudentLinks(pool, id),
  );

  route(
    router,
    pool,
    api.pages.make,
    may('give-page', 'student'),
    async ({ user, params: { id }, body, log }) => {
      if (await isStudentLink(pool, body.id)) throw new HttpError('already-exists');
      if (!(await isInLesson(pool, id, body.lessonId)))
        throw new HttpError('invalid', [
          { path: 'lessonId', code: 'unknown', message: 'has nothing on the record of this student' },
        ]);
      const token = newToken();
      await insertStudentLink(pool, { ...body, studentId: id, token });
      log.info({ userId: user.id, studentId: id, linkId: body.id }, 'link to a student’s page made');
      return { links: await findStudentLinks(pool, id), token };
    },
  );

  route(router, pool, api.pages.close, may('give-page', 'student'), async ({ params }) => {
    if (!(await closeStudentLink(pool, params.id, params.pageId))) throw new HttpError('not-found');
    return findStudentLinks(pool, params.id);
  });

  route(router, pool, api.pages.news, 'signed-in', ({ user }) => findHomeNews(pool, user.id));

  route(router, pool, api.pages.waiting, may('give-page', 'student'), async ({ params: { id } }) =>
    groupedByDay(await findWaiting(pool, id)),
  );

  route(
    router,
    pool,
    api.pages.judge,
    may('give-page', 'student'),
    async ({ user, params: { id }, body: { ids, counts }, log }) => {
      await pool.transaction(async (db) => {
        await lockStudent(db, id);
        const entries = await findWaiting(db, id, ids);
        if (entries.length === 0) return;
        if (counts)
          await insertEvents(
            db,
            user.id,
            entries.map(({ id: entryId, linkId, lessonId, atMs, body }) => ({
              ...{ id: entryId, lessonId, studentId: id, blockId: null, deviceId: linkId },
              ...{ atMs, body },
            })),
          );
        await deleteWaiting(
          db,
          id,
          entries.map((one) => one.id),
        );
      });
      log.info(
        { userId: user.id, studentId: id, counts, entries: ids.length },
        'looked at what came from home',
      );
      return groupedByDay(await findWaiting(pool, id));
    },
  );
}

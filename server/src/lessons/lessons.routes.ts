import { api, type Issue, type Lesson, type SavedLesson, type SavedPlan } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { countEventsOfLesson } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findPlan } from '../plans/plans.sql';
import { findStudentsById } from '../students/students.sql';
import { findWater } from '../waters/waters.sql';
import { deleteLesson, findLessonPlan, insertLesson, lockLessons, updateLesson } from './lessons.sql';
import { findLesson, findLessonsPage, ownLesson } from './taught-lessons.sql';
import { findUnseen } from './instructors.sql';
import { findHelpers, letSeeByLessons } from './seen-by-lesson.sql';

export function lessonRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.lessons.list, 'signed-in', ({ user, query }) =>
    findLessonsPage(pool, user.id, query),
  );

  route(router, pool, api.lessons.get, may('see', 'lesson'), ({ user, params }) =>
    ownLesson(pool, user.id, params.id),
  );

  route(router, pool, api.lessons.plan, may('see', 'lesson'), async ({ params }) => {
    const plan = await findLessonPlan(pool, params.id);
    if (!plan) throw new HttpError('not-found');
    return plan;
  });

  route(router, pool, api.lessons.create, 'signed-in', async ({ user, body }) => {
    const existing = await findLesson(pool, user.id, body.id);
    if (existing) return existing;
    refuseOld(body.lesson);
    await pool.transaction(async (db) => {
      const plan = await checkedParts(db, user.id, body.lesson, 'lesson.', null);
      if (plan) await insertLesson(db, user.id, body.id, body.lesson, plan);
    });
    return ownLesson(pool, user.id, body.id);
  });

  route(router, pool, api.lessons.update, may('change', 'lesson'), async ({ user, params, body }) => {
    await pool.transaction(async (db) => {
      await lockLessons(db, [params.id]);
      const before = await ownLesson(db, user.id, params.id);
      const plan = await checkedParts(db, user.id, body, '', before);
      await updateLesson(db, params.id, body, plan);
      await letSeeByLessons(db, await findHelpers(db, params.id));
      await refuseUnseen(db, params.id, body.studentIds, before.studentIds);
    });
    return ownLesson(pool, user.id, params.id);
  });

  route(router, pool, api.lessons.remove, may('remove', 'lesson'), async ({ params }) => {
    await pool.transaction(async (db) => {
      // An event that arrives meanwhile waits here, and then finds no lesson.
      await lockLessons(db, [params.id]);
      if ((await countEventsOfLesson(db, params.id)) > 0)
        throw new HttpError('in-use', [], 'Records of students belong to this lesson, so it stays.');
      const helpers = await findHelpers(db, params.id);
      await deleteLesson(db, params.id);
      await letSeeByLessons(db, helpers);
    });
    return { ok: true as const };
  });
}

/** A new lesson further back is a slip of the calendar, days. */
const OLDEST_DAYS = 366;
const DAY_MS = 86_400_000;

/** @throws HttpError 'invalid' for a new lesson of years ago, or one that is over and had no students */
function refuseOld({ startsAt, studentIds }: Lesson): void {
  const daysAgo = (Date.now() - Date.parse(startsAt)) / DAY_MS;
  const wrong = (path: string, message: string): never => {
    throw new HttpError('invalid', [{ path: `lesson.${path}`, code: 'invalid', message }]);
  };
  if (daysAgo > OLDEST_DAYS) wrong('startsAt', 'lies more than a year back');
  if (daysAgo > 1 && studentIds.length === 0) wrong('studentIds', 'who was there? The day is over');
}

/** @throws HttpError 'invalid' for a new student whom somebody who teaches along may not see */
async function refuseUnseen(
  db: Db,
  lessonId: string,
  studentIds: readonly string[],
  before: readonly string[],
): Promise<void> {
  const issues = (await findUnseen(db, lessonId))
    .filter(({ studentId }) => !before.includes(studentId))
    .map(({ studentId, instructor }) => ({
      ...{ path: `studentIds[${studentIds.indexOf(studentId)}]`, code: 'unseen' },
      message: `is not yours to show to ${instructor}, who teaches along`,
    }));
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

/**
 * A lesson is made of parts the instructor may see, or that it has already.
 *
 * @returns the plan to be taught; null when the lesson goes on with the copy it has
 */
async function checkedParts(
  db: Db,
  userId: string,
  lesson: Lesson,
  prefix: string,
  before: SavedLesson | null,
): Promise<SavedPlan | null> {
  const plan = lesson.planId ? await findPlan(db, userId, lesson.planId) : null;
  const keepsPlan = before !== null && (lesson.planId === null || lesson.planId === before.planId);
  const water = lesson.waterId === before?.waterId || (await findWater(db, userId, lesson.waterId));
  const known = new Set([
    ...(before?.studentIds ?? []),
    ...(await findStudentsById(db, userId, lesson.studentIds)).map(({ id }) => id),
  ]);
  const unknown = (path: string, message: string): Issue => ({
    path: `${prefix}${path}`,
    code: 'unknown',
    message,
  });
  const issues = [
    ...(plan || keepsPlan ? [] : [unknown('planId', 'is no plan of yours')]),
    ...(water ? [] : [unknown('waterId', 'is no water of yours')]),
    ...lesson.studentIds.flatMap((id, index) =>
      known.has(id) ? [] : [unknown(`studentIds[${index}]`, 'is no student of yours')],
    ),
  ];
  if (issues.length > 0) throw new HttpError('invalid', issues);
  return plan;
}

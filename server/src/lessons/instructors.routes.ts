import { type Along, api, type Issue, type SavedLesson } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findFellowInstructors, findUnseen, leaveLesson, setInstructors } from './instructors.sql';
import { lockLessons } from './lessons.sql';
import { ownLesson } from './taught-lessons.sql';

/** Lessons that several teach: whose lesson it is asks fellows of his circles, and gives each some of the group. */
export function instructorRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.lessons.fellows, may('change', 'lesson'), ({ params: { id } }) =>
    findFellowInstructors(pool, id),
  );

  route(
    router,
    pool,
    api.lessons.setInstructors,
    may('change', 'lesson'),
    async ({ user, params: { id }, body: { instructors }, log }) => {
      await pool.transaction(async (db) => {
        await lockLessons(db, [id]);
        const lesson = await ownLesson(db, user.id, id);
        const fellows = await findFellowInstructors(db, id);
        refuse(wrongIn(instructors, lesson, new Set(fellows.map(({ userId }) => userId))));
        await setInstructors(db, id, instructors);
        const at = (userId: string): number => instructors.findIndex((one) => one.userId === userId);
        refuse(
          (await findUnseen(db, id)).map(({ student, userId }) => ({
            ...{ path: `instructors[${at(userId)}].userId`, code: 'unseen' },
            message: `may not see ${student}: whose student that is can let him`,
          })),
        );
      });
      log.info({ userId: user.id, lessonId: id, along: instructors.length }, 'instructors of a lesson set');
      return ownLesson(pool, user.id, id);
    },
  );

  route(router, pool, api.lessons.leave, may('leave', 'lesson'), async ({ user, params: { id }, log }) => {
    await pool.transaction(async (db) => {
      await lockLessons(db, [id]);
      await leaveLesson(db, id, user.id);
    });
    log.info({ userId: user.id, lessonId: id }, 'teaches along no more');
    return { ok: true as const };
  });
}

/** Who cannot be asked, and who is not in the lesson. */
function wrongIn(
  instructors: Along['instructors'],
  lesson: SavedLesson,
  fellows: ReadonlySet<string>,
): Issue[] {
  const isOver = Date.parse(lesson.startsAt) + lesson.lengthMin * 60_000 <= Date.now();
  return instructors.flatMap(({ userId, studentIds }, i): Issue[] => {
    const path = `instructors[${i}]`;
    const asked = lesson.instructors.slice(1).some((one) => one.userId === userId);
    return [
      ...(asked || fellows.has(userId)
        ? []
        : [{ path: `${path}.userId`, code: 'unknown', message: 'is in no circle with you' }]),
      ...(!asked && isOver
        ? [{ path: `${path}.userId`, code: 'over', message: 'cannot be asked: the lesson is over' }]
        : []),
      ...studentIds.flatMap((id, j) =>
        lesson.studentIds.includes(id)
          ? []
          : [{ path: `${path}.studentIds[${j}]`, code: 'unknown', message: 'is not in this lesson' }],
      ),
    ];
  });
}

function refuse(issues: Issue[]): void {
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

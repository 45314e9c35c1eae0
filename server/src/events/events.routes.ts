import { api, unknownIn } from '@doceo/contract';
import { type BankEvent, type Curriculum, curriculumOf } from '@doceo/core';
import type { Router } from 'express';
import { refuseUnless } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { teacherOf } from '../session/users.sql';
import { findLessonPlan, lockLessons } from '../lessons/lessons.sql';
import { findLesson } from '../lessons/taught-lessons.sql';
import { keepTaught } from '../sharing/taught';
import { curriculumFor } from '../teaching/curriculum';
import { insertLook } from '../students/privacy.sql';
import { findStudentsById, lockStudents } from '../students/students.sql';
import { admit, readArrivals } from './admission';
import { clockAhead, eventClockAhead } from './clock';
import { keepWaterReadings } from './water-readings';
import {
  findEventLessons,
  findEventsOfLesson,
  findEventsOfStudent,
  hasManyEvents,
  insertEvents,
} from './events.sql';

export function eventRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.events.list, 'signed-in', async ({ user, query, passOnIf }) => {
    if (query.lessonId) {
      await refuseUnless(pool, user.id, 'see', 'lesson', query.lessonId);
      passOnIf(await hasManyEvents(pool, 'lesson_id', [query.lessonId]));
      return findEventsOfLesson(pool, user.id, query.lessonId);
    }
    if (user.assists) throw new HttpError('forbidden', [], 'Records are not open to who helps in a lesson.');
    const studentId = query.studentId ?? '';
    await refuseUnless(pool, user.id, 'see', 'student', studentId);
    passOnIf(await hasManyEvents(pool, 'student_id', [studentId]));
    await insertLook(pool, studentId, user.id, 'record');
    return findEventsOfStudent(pool, studentId);
  });

  route(router, pool, api.events.add, 'signed-in', async ({ user, body: { events, sentAtMs } }) => {
    const now = Date.now();
    const clockAheadMs = clockAhead(sentAtMs, now);
    const read = readArrivals(events);
    const arrived = read.arrivals.map(({ event }) => event);
    const lessonIds = [...new Set(arrived.map((event) => event.lessonId))];
    const studentIds = [...new Set(arrived.flatMap((event) => event.studentId ?? []))];
    const ids = arrived.flatMap((event) =>
      event.body.kind === 'undo' ? [event.id, event.body.targetId] : [event.id],
    );
    return pool.transaction(async (db) => {
      // Requests for one lesson go one after the other, and none of its lessons or students goes in between.
      await lockLessons(db, lessonIds);
      await lockStudents(db, studentIds);
      const lessons = await Promise.all(lessonIds.map((id) => findLesson(db, user.id, id)));
      const students = await findStudentsById(db, user.id, studentIds);
      const { fresh, known, refused } = admit(read.arrivals, {
        lessons: new Map(lessons.flatMap((lesson) => (lesson ? [[lesson.id, lesson]] : []))),
        students: new Map(students.map((student) => [student.id, student])),
        stored: await findEventLessons(db, ids),
        curricula: await curriculaOf(db, teacherOf(user), lessonIds, arrived),
      });
      const timed = fresh.map(({ event }) => ({
        ...event,
        clockAheadMs: eventClockAhead(event.atMs, clockAheadMs, now),
      }));
      await insertEvents(db, user.id, timed);
      await keepTaught(db, [...new Set(timed.map(({ lessonId }) => lessonId))]);
      const waters = new Map(lessons.flatMap((lesson) => (lesson ? [[lesson.id, lesson.waterId]] : [])));
      await keepWaterReadings(db, user.id, timed, (lessonId) => waters.get(lessonId) ?? null);
      return {
        stored: fresh.map(({ sentId }) => sentId),
        known: known.map(({ sentId }) => sentId),
        refused: [...read.refused, ...refused].sort((a, b) => a.index - b.index),
        clockAheadMs,
      };
    });
  });
}

/** For each lesson the curriculum as its plan reads it; plans are read only where an entry asks for one. */
async function curriculaOf(
  db: Db,
  userId: string,
  lessonIds: readonly string[],
  events: readonly BankEvent[],
): Promise<Map<string, Curriculum>> {
  const own = await curriculumFor(db, userId);
  const curricula = new Map(lessonIds.map((id) => [id, own]));
  const asking = new Set(
    events.filter((event) => unknownIn(own, event).length > 0).map(({ lessonId }) => lessonId),
  );
  for (const id of asking) {
    const plan = await findLessonPlan(db, id);
    if (plan) curricula.set(id, curriculumOf(own, plan.body));
  }
  return curricula;
}

import { api } from '@doceo/contract';
import type { Router } from 'express';
import { type Pool, transaction } from '../db/pool';
import { route } from '../http/route';
import { findLesson } from '../lessons/lessons.sql';
import { ownLesson } from '../lessons/lessons.routes';
import { insertLook } from '../students/privacy.sql';
import { visibleStudent } from '../students/students.routes';
import { findStudentsById } from '../students/students.sql';
import { admit } from './admission';
import { findEventLessons, findEventsOfLesson, findEventsOfStudents, insertEvents } from './events.sql';

export function eventRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.events.list, async ({ user, query }) => {
    if (query.lessonId) {
      await ownLesson(pool, user.id, query.lessonId);
      return findEventsOfLesson(pool, query.lessonId);
    }
    if (query.studentId) {
      await visibleStudent(pool, user.id, query.studentId);
      await insertLook(pool, query.studentId, user.id, 'record');
      return findEventsOfStudents(pool, [query.studentId]);
    }
    const lesson = await ownLesson(pool, user.id, query.studentsOfLesson ?? '');
    const students = await findStudentsById(pool, user.id, lesson.studentIds);
    return findEventsOfStudents(
      pool,
      students.map(({ id }) => id),
    );
  });

  route(router, pool, api.events.add, async ({ user, body: { events } }) => {
    const lessonIds = [...new Set(events.map((event) => event.lessonId))];
    const studentIds = [...new Set(events.flatMap((event) => event.studentId ?? []))];
    const ids = events.flatMap((event) =>
      event.body.kind === 'undo' ? [event.id, event.body.targetId] : [event.id],
    );
    return transaction(pool, async (db) => {
      const lessons = await Promise.all(lessonIds.map((id) => findLesson(db, user.id, id)));
      const students = await findStudentsById(db, user.id, studentIds);
      const { fresh, known, refused } = admit(events, {
        lessons: new Map(lessons.flatMap((lesson) => (lesson ? [[lesson.id, lesson]] : []))),
        students: new Map(students.map((student) => [student.id, student])),
        stored: await findEventLessons(db, ids),
      });
      await insertEvents(db, user.id, fresh);
      return { stored: fresh.map((event) => event.id), known, refused };
    });
  });
}

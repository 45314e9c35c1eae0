import { api, type Effects, type StudentColumns } from '@doceo/contract';
import { type BankEvent, drillEffects, planEffects, readyIn, STRANDS, toColumns } from '@doceo/core';
import type { Router } from 'express';
import { refuseUnless } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { findEventsOfLesson } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findLesson, findPlansTaught } from '../lessons/lessons.sql';
import { findSeenStudents, findStudentsById } from '../students/students.sql';
import { makeRecords } from './make-records';
import { findMade } from './records.sql';

export function recordRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.records.list, 'signed-in', async ({ user, query: { lessonId, ids } }) => {
    if (lessonId !== undefined) await refuseUnless(pool, user.id, 'see', 'lesson', lessonId);
    // Whoever helps for a day learns nothing of the days before.
    if (user.assists) {
      if (lessonId === undefined)
        throw new HttpError('forbidden', [], 'Records are not open to who helps in a lesson.');
      return byStudent(await findEventsOfLesson(pool, user.id, lessonId));
    }
    const wanted = ids?.split(',') ?? (await findLesson(pool, user.id, lessonId ?? ''))?.studentIds ?? [];
    return columnsOf(pool, user.id, wanted);
  });

  route(router, pool, api.records.progress, 'signed-in', async ({ user }) => {
    if (user.assists) return [];
    const ids = await findSeenStudents(pool, user.id);
    await makeRecords(pool, user.id, ids);
    const nowMs = Date.now();
    return (await findMade(pool, 'progress', ids)).map(({ id, made }) => ({
      ...{ id, attempts: made.attempts, lastAtMs: made.lastAtMs },
      ready: Object.fromEntries(
        STRANDS.map((strand) => [strand, readyIn(made, strand, nowMs)] as const).filter(([, n]) => n > 0),
      ),
    }));
  });

  route(router, pool, api.records.effects, 'signed-in', async ({ user }): Promise<Effects> => {
    const ids = await findSeenStudents(pool, user.id);
    await makeRecords(pool, user.id, ids);
    const people = (await findMade(pool, 'effects', ids)).map(({ made }) => made);
    const taught = await findPlansTaught(pool, user.id);
    const plans = new Map(taught.map(({ planId, title }) => [planId ?? title, { planId, title }]));
    const planOf = new Map(taught.map(({ lessonId, planId, title }) => [lessonId, planId ?? title]));
    return {
      drills: drillEffects(people),
      plans: planEffects(people, planOf).map(({ planId: key, ...effect }) => ({
        ...(plans.get(key) ?? { planId: null, title: key }),
        ...effect,
      })),
      named: [...new Set(people.flatMap(({ named }) => named))].sort(),
    };
  });
}

async function columnsOf(db: Db, userId: string, wanted: readonly string[]): Promise<StudentColumns[]> {
  const ids = (await findStudentsById(db, userId, [...wanted])).map(({ id }) => id);
  await makeRecords(db, userId, ids);
  return (await findMade(db, 'columns', ids)).map(({ id, made }) => ({ studentId: id, columns: made }));
}

function byStudent(events: readonly BankEvent[]): StudentColumns[] {
  const ids = [...new Set(events.flatMap(({ studentId }) => studentId ?? []))];
  return ids.map((studentId) => ({
    studentId,
    columns: toColumns(events.filter((event) => event.studentId === studentId)),
  }));
}

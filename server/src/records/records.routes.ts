import { api, type Effects, type StudentColumns } from '@doceo/contract';
import { type BankEvent, drillEffects, planEffects, readyIn, STRANDS, toColumns } from '@doceo/core';
import type { Router } from 'express';
import { refuseUnless } from '../access/access';
import type { Pool } from '../db/pool';
import { findEventsOfLesson } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findLesson, findPlansTaught } from '../lessons/lessons.sql';
import { curriculumFor } from '../teaching/curriculum';
import { madeRecords } from './made-records';

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
    return (await madeRecords(pool, user.id, 'columns', wanted)).map(({ id, made }) => ({
      studentId: id,
      columns: made,
    }));
  });

  route(router, pool, api.records.progress, 'signed-in', async ({ user }) => {
    if (user.assists) return [];
    const nowMs = Date.now();
    return (await madeRecords(pool, user.id, 'progress')).map(({ id, made }) => ({
      ...{ id, attempts: made.attempts, lastAtMs: made.lastAtMs },
      ready: Object.fromEntries(
        STRANDS.map((strand) => [strand, readyIn(made, strand, nowMs)] as const).filter(([, n]) => n > 0),
      ),
    }));
  });

  route(router, pool, api.records.effects, 'signed-in', async ({ user }): Promise<Effects> => {
    const people = (await madeRecords(pool, user.id, 'effects')).map(({ made }) => made);
    const taught = await findPlansTaught(pool, user.id);
    const plans = new Map(taught.map(({ planId, title }) => [planId ?? title, { planId, title }]));
    const planOf = new Map(taught.map(({ lessonId, planId, title }) => [lessonId, planId ?? title]));
    return {
      drills: drillEffects(await curriculumFor(pool, user.id), people),
      plans: planEffects(people, planOf).map(({ planId: key, ...effect }) => ({
        ...(plans.get(key) ?? { planId: null, title: key }),
        ...effect,
      })),
      named: [...new Set(people.flatMap(({ named }) => named))].sort(),
    };
  });
}

function byStudent(events: readonly BankEvent[]): StudentColumns[] {
  const ids = [...new Set(events.flatMap(({ studentId }) => studentId ?? []))];
  return ids.map((studentId) => ({
    studentId,
    columns: toColumns(events.filter((event) => event.studentId === studentId)),
  }));
}

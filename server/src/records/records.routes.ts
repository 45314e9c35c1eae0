import { api } from '@doceo/contract';
import { columnsByStudent, readyIn, STRANDS } from '@doceo/core';
import type { Router } from 'express';
import { refuseUnless } from '../access/access';
import type { Pool } from '../db/pool';
import { findEventsOfLesson } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findLesson } from '../lessons/taught-lessons.sql';
import { KeptEffects } from './kept-effects';
import { madeRecords } from './made-records';

export function recordRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.records.list, 'signed-in', async ({ user, query: { lessonId, ids }, passOnIf }) => {
    if (lessonId !== undefined) await refuseUnless(pool, user.id, 'see', 'lesson', lessonId);
    // Whoever helps for a day learns nothing of the days before.
    if (user.assists) {
      if (lessonId === undefined)
        throw new HttpError('forbidden', [], 'Records are not open to who helps in a lesson.');
      return columnsByStudent(await findEventsOfLesson(pool, user.id, lessonId));
    }
    const wanted = ids?.split(',') ?? (await findLesson(pool, user.id, lessonId ?? ''))?.studentIds ?? [];
    return (await madeRecords(pool, user.id, 'columns', passOnIf, wanted)).map(({ id, made }) => ({
      studentId: id,
      columns: made,
    }));
  });

  route(router, pool, api.records.progress, 'signed-in', async ({ user, passOnIf }) => {
    if (user.assists) return [];
    const nowMs = Date.now();
    return (await madeRecords(pool, user.id, 'progress', passOnIf)).map(({ id, made }) => ({
      ...{ id, attempts: made.attempts, lastAtMs: made.lastAtMs },
      ready: Object.fromEntries(
        STRANDS.map((strand) => [strand, readyIn(made, strand, nowMs)] as const).filter(([, n]) => n > 0),
      ),
    }));
  });

  const effects = new KeptEffects(pool);
  route(router, pool, api.records.effects, 'signed-in', ({ user, passOnIf }) =>
    effects.of(user.id, passOnIf),
  );
}

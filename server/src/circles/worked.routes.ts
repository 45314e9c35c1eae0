import { api, type Worked } from '@doceo/contract';
import { drillOutcomes, poolEffects, schoolEffect } from '@doceo/core';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { route } from '../http/route';
import type { PassOnIf } from '../large/too-much';
import { madeRecords } from '../records/made-records';
import { findOwnStudentIds } from '../students/students.sql';
import { curriculumFor } from '../teaching/curriculum';
import {
  type CircleOutcome,
  findNotCounted,
  findOutcomes,
  findTellingCircle,
  findTells,
  lockOutcomes,
  replaceOutcomes,
  updateTells,
} from './outcomes.sql';

export function workedRoutes(router: Router, pool: Pool): void {
  route(
    router,
    pool,
    api.circles.worked,
    may('see', 'circle'),
    async ({ user, params: { id }, passOnIf }) => {
      await countOutcomes(pool, user.id, passOnIf);
      return workedFor(pool, user.id, id);
    },
  );

  route(router, pool, api.circles.tell, may('govern', 'circle'), async ({ params: { id }, body, log }) => {
    await pool.transaction((db) => updateTells(db, id, body.tells));
    log.info({ circleId: id, tells: body.tells }, 'outcomes told by a circle');
    return { ok: true as const };
  });
}

/** Adds up what a user's records say, where a circle of his tells it and they changed since the last time. */
async function countOutcomes(pool: Pool, userId: string, passOnIf: PassOnIf): Promise<void> {
  const circleId = await findTellingCircle(pool, userId);
  const changes = circleId ? await findNotCounted(pool, userId) : null;
  if (!circleId || changes === null) return;
  // Students of others whom he may see are counted by those others.
  const students = await findOwnStudentIds(pool, userId);
  const people = (await madeRecords(pool, userId, 'effects', passOnIf, students)).map(({ made }) => made);
  const outcomes = drillOutcomes(await curriculumFor(pool, userId), people);
  await pool.transaction(async (db) => {
    await lockOutcomes(db, userId);
    // Who was deleted meanwhile is in these sums: the next look adds up anew.
    if ((await findTellingCircle(db, userId)) !== circleId || (await findNotCounted(db, userId)) !== changes)
      return;
    await replaceOutcomes(db, userId, circleId, outcomes, changes);
  });
}

/** All schools pooled, drill by drill, as one circle is told of them: what is below the limit is not even counted. */
async function workedFor(db: Db, userId: string, circleId: string): Promise<Worked> {
  const [{ drills }, outcomes] = [await curriculumFor(db, userId), await findOutcomes(db)];
  const told: Worked = { tells: await findTells(db, circleId), drills: [], few: [] };
  for (const [drillId, of] of groupBy(outcomes, (one) => one.drillId)) {
    const drill = drills.find(drillId);
    if (!drill) continue;
    const schools = groupBy(of, (one) => one.circleId).map(([school, own]) => schoolEffect(school, own));
    const pooled = poolEffects(schools);
    const mine = pooled?.schools.find(({ school }) => school === circleId);
    if (!mine && schools.some(({ school }) => school === circleId))
      told.few.push({ drillId, name: drill.name });
    if (!pooled) continue;
    told.drills.push({
      ...{ drillId, name: drill.name, strand: drill.strand, students: pooled.students },
      ...bandOf(pooled),
      mine: mine ? bandOf(mine) : null,
      others: pooled.schools.filter((one) => one !== mine).map(bandOf),
    });
  }
  told.drills.sort((a, b) => b.mean - a.mean);
  return told;
}

function bandOf({ mean, low, high }: { mean: number; low: number; high: number }) {
  return { mean, low, high };
}

function groupBy(
  outcomes: readonly CircleOutcome[],
  keyOf: (one: CircleOutcome) => string,
): [string, CircleOutcome[]][] {
  const groups = new Map<string, CircleOutcome[]>();
  for (const one of outcomes) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  return [...groups];
}

import type { Effects } from '@doceo/contract';
import { type Curriculum, drillEffects, planEffects } from '@doceo/core';
import type { Pool } from '../db/pool';
import { findPlansTaught } from '../lessons/taught-lessons.sql';
import type { PassOnIf } from '../large/too-much';
import { curriculumFor } from '../teaching/curriculum';
import { madeRecords, recordsPrint } from './made-records';

/** Of so many users it is kept what was added up for them last. */
const MAX_KEPT = 100;

type Taught = Awaited<ReturnType<typeof findPlansTaught>>;

/** How well drills and plans worked, added up over all records of a user, and anew only when one of them changed. */
export class KeptEffects {
  private readonly kept = new Map<string, { print: string; curriculum: Curriculum; effects: Effects }>();

  constructor(private readonly pool: Pool) {}

  async of(userId: string, passOnIf: PassOnIf): Promise<Effects> {
    const [curriculum, taught] = await Promise.all([
      curriculumFor(this.pool, userId),
      findPlansTaught(this.pool, userId),
    ]);
    // Before the records are read: what comes in between is another print the next time.
    const print = `${await recordsPrint(this.pool, userId, curriculum)} ${JSON.stringify(taught)}`;
    const known = this.kept.get(userId);
    if (known?.print === print && known.curriculum === curriculum) return known.effects;
    const effects = await this.added(userId, curriculum, taught, passOnIf);
    this.kept.delete(userId);
    this.kept.set(userId, { print, curriculum, effects });
    for (const old of [...this.kept.keys()].slice(0, -MAX_KEPT)) this.kept.delete(old);
    return effects;
  }

  private async added(
    userId: string,
    curriculum: Curriculum,
    taught: Taught,
    passOnIf: PassOnIf,
  ): Promise<Effects> {
    const people = (await madeRecords(this.pool, userId, 'effects', passOnIf)).map(({ made }) => made);
    const plans = new Map(taught.map(({ planId, title }) => [planId ?? title, { planId, title }]));
    const planOf = new Map(taught.map(({ lessonId, planId, title }) => [lessonId, planId ?? title]));
    return {
      drills: drillEffects(curriculum, people),
      plans: planEffects(people, planOf).map(({ planId: key, ...effect }) => ({
        ...(plans.get(key) ?? { planId: null, title: key }),
        ...effect,
      })),
      named: [...new Set(people.flatMap(({ named }) => named))].sort(),
    };
  }
}

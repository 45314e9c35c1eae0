import { createHash } from 'node:crypto';
import { setImmediate as letOthersIn } from 'node:timers/promises';
import { fittedOf, shapeOf } from '@doceo/contract';
import {
  type BankEvent,
  type Curriculum,
  evidenceOf,
  type FittedSkills,
  mainSkillOf,
  namedIn,
  progressOf,
  studentEffects,
  toColumns,
} from '@doceo/core';
import type { Db } from '../db/pool';
import { findCountingEvents } from '../events/events.sql';
import { findFitStatus } from '../skill-fit/skill-fit.sql';
import { curriculumFor } from '../teaching/curriculum';
import { findStale, keepRecord, type MadeRecord } from './records.sql';

/** Raise it when the same entries come to something else than before. */
const MADE_BY = 1;
/** Students made at once; others are answered in between. */
const AT_ONCE = 4;

/** What records are made from besides their entries. */
interface Basis {
  curriculum: Curriculum;
  fitted: FittedSkills;
}

/**
 * Makes of the records of these students what is old or was not made yet. Two who do so at once make the same.
 *
 * @param userId by whose curriculum
 */
export async function makeRecords(db: Db, userId: string, studentIds: readonly string[]): Promise<void> {
  const basis = { curriculum: await curriculumFor(db, userId), fitted: fittedOf(await findFitStatus(db)) };
  const madeFrom = nameOf(basis);
  // The number first: what comes between it and the entries is read again the next time.
  const stale = await findStale(db, studentIds, madeFrom);
  for (let from = 0; from < stale.length; from += AT_ONCE) {
    const some = stale.slice(from, from + AT_ONCE);
    const events = await findCountingEvents(
      db,
      some.map(({ id }) => id),
    );
    for (const student of some) {
      const own = events.filter(({ studentId }) => studentId === student.id);
      await keepRecord(db, student, madeFrom, made(student.id, own, basis));
    }
    await letOthersIn();
  }
}

function made(id: string, events: readonly BankEvent[], { curriculum, fitted }: Basis): MadeRecord {
  const columns = toColumns(events);
  return {
    columns,
    progress: progressOf(curriculum.skills.all, evidenceOf(events, id), fitted),
    effects: { ...studentEffects(curriculum, events, id, fitted), named: namedIn(columns) },
  };
}

/** The same for what comes to the same. */
function nameOf({ curriculum: { skills, drills }, fitted }: Basis): string {
  const taught = [
    skills.all.map(({ id, strand, forgetDays }) => [id, strand, forgetDays]),
    drills.all.map((drill) => [drill.id, mainSkillOf(drill)]),
  ];
  return createHash('sha1')
    .update(JSON.stringify([MADE_BY, shapeOf('event'), taught, fitted]))
    .digest('hex');
}

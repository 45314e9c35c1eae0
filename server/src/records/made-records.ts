import { createHash } from 'node:crypto';
import { setImmediate as letOthersIn } from 'node:timers/promises';
import { fittedOf, shapeOf } from '@doceo/contract';
import {
  attemptsOf,
  type BankEvent,
  type Curriculum,
  evidenceOf,
  type FittedSkills,
  namedIn,
  progressOf,
  type Skill,
  studentEffects,
  toColumns,
} from '@doceo/core';
import type { Pool } from '../db/pool';
import { findCountingEvents } from '../events/events.sql';
import { inBatches } from '../events/in-batches';
import { findFitStatus } from '../skill-fit/skill-fit.sql';
import type { PassOnIf } from '../large/too-much';
import { curriculumFor } from '../teaching/curriculum';
import {
  findPrint,
  findRecords,
  findSizes,
  keepRecords,
  type MadeOf,
  type MadeRecord,
  type RecordSize,
} from './records.sql';

/** Raise it when the same entries come to something else than before. */
const MADE_BY = 3;
/** So many entries are made into records, and so much of records is read, without holding up anybody. */
const FEW_ENTRIES = 4000;
const SMALL_LENGTH = 400_000;

/** Records that are read from JSON at once. */
const READ_AT_ONCE = 60;

/** A student, and the number of the record. */
interface Numbered {
  id: string;
  no: number;
}

/** What records are made from besides their entries. */
interface Basis {
  skills: readonly Skill[];
  fitted: FittedSkills;
}

/**
 * One part of the records that a user may see. What is old or was not made yet is made first, and kept; others are
 * answered in between. Two who do so at once make the same.
 *
 * @param passOnIf told before much is made or read
 * @param ids of these alone; null for all
 */
export async function madeRecords<K extends keyof MadeRecord>(
  pool: Pool,
  userId: string,
  part: K,
  passOnIf: PassOnIf,
  ids: readonly string[] | null = null,
): Promise<{ id: string; made: MadeRecord[K] }[]> {
  const basis = await basisFor(pool, await curriculumFor(pool, userId));
  const madeFrom = nameOf(basis);
  const found = await findRecords(pool, userId, part, madeFrom, ids);
  const stale = found.filter(({ made }) => made === null);
  const sizes = await findSizes(
    pool,
    stale.map(({ id }) => id),
  );
  passOnIf(sum([...sizes.values()].map(({ entries }) => entries)) > FEW_ENTRIES);
  if (part === 'columns') passOnIf(sum(found.map(({ made }) => made?.length ?? 0)) > SMALL_LENGTH);
  const ready = [];
  for (const [i, { id, made }] of found.entries()) {
    if (made !== null) ready.push({ id, made: JSON.parse(made) as MadeRecord[K] });
    if (i % READ_AT_ONCE === READ_AT_ONCE - 1) await letOthersIn();
  }
  // Their numbers were read before their entries: what comes in between is read again the next time.
  for (const batch of inBatches(stale, ({ id }) => sizes.get(id)?.entries ?? 0)) {
    const records = await make(pool, batch, sizes, basis);
    await pool.transaction((db) => keepRecords(db, madeFrom, records));
    ready.push(...records.map(({ id, made }) => ({ id, made: made[part] })));
  }
  return ready;
}

/** The same as long as all records that a user may see come to the same. */
export async function recordsPrint(pool: Pool, userId: string, curriculum: Curriculum): Promise<string> {
  const [basis, print] = await Promise.all([basisFor(pool, curriculum), findPrint(pool, userId)]);
  return `${nameOf(basis)} ${print}`;
}

async function basisFor(pool: Pool, { skills }: Curriculum): Promise<Basis> {
  return { skills: skills.all, fitted: fittedOf(await findFitStatus(pool)) };
}

async function make(
  pool: Pool,
  students: readonly Numbered[],
  sizes: ReadonlyMap<string, RecordSize>,
  basis: Basis,
): Promise<MadeOf[]> {
  const events = await findCountingEvents(
    pool,
    students.map(({ id }) => id),
  );
  const records = [];
  for (const { id, no } of students) {
    const own = events.filter(({ studentId }) => studentId === id);
    records.push({ id, no, newest: sizes.get(id)?.newest ?? 0, made: madeOf(id, own, basis) });
    await letOthersIn();
  }
  return records;
}

function madeOf(id: string, events: readonly BankEvent[], { skills, fitted }: Basis): MadeRecord {
  const columns = toColumns(events);
  return {
    columns,
    progress: {
      ...progressOf(skills, evidenceOf(events, id), fitted),
      attempts: attemptsOf(events, id).length,
    },
    effects: { ...studentEffects(events, id, fitted), named: namedIn(columns) },
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** The same for what comes to the same. */
function nameOf({ skills, fitted }: Basis): string {
  const taught = skills.map(({ id, strand, forgetDays }) => [id, strand, forgetDays]);
  return createHash('sha1')
    .update(JSON.stringify([MADE_BY, shapeOf('event'), taught, fitted]))
    .digest('hex');
}

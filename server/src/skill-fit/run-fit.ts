import { createHash } from 'node:crypto';
import {
  type Attempt,
  attemptsOf,
  fitHomeTrust,
  fitSkill,
  type HomeRecord,
  type HomeTrust,
  parametersFor,
} from '@doceo/core';
import type { Pool } from '../db/pool';
import { findAttemptEvents } from '../events/events.sql';
import { inBatches } from '../events/in-batches';
import { findFits, findStudentsWithEvents, type MadeFit, replaceFits, touchFit } from './skill-fit.sql';

/** Raise it when the same attempts come to something else than before. */
const FITTED_BY = 1;

/** Attempts of every student, by skill. */
type Sequences = ReadonlyMap<string, HomeRecord[]>;

/** Fits learning parameters to all records; a skill of which nobody has a new attempt keeps its fit. */
export async function runFit(pool: Pool): Promise<void> {
  const sequences = await readAttempts(pool);
  const before = await findFits(pool);
  const fits = new Map<string, MadeFit>();
  for (const [id, records] of sequences) {
    const attempts = records.map((record) => [...record.attempts]);
    const madeFrom = hashOf(attempts);
    const known = before.get(id);
    fits.set(id, known?.madeFrom === madeFrom ? known : { fit: fitSkill(attempts), madeFrom });
    await touchFit(pool, fits.size, sequences.size);
  }
  const home = homeOf(sequences, fits);
  await pool.transaction((db) => replaceFits(db, fits, home));
}

/** By what was just found of each skill, so that a hard skill is not taken for practice that says little. */
function homeOf(sequences: Sequences, fits: ReadonlyMap<string, MadeFit>): HomeTrust {
  const found = Object.fromEntries([...fits].map(([id, { fit }]) => [id, fit]));
  return fitHomeTrust(
    [...sequences].flatMap(([id, records]) =>
      records.map((record) => ({ ...record, grid: parametersFor(found, id) })),
    ),
  );
}

async function readAttempts(pool: Pool): Promise<Sequences> {
  const bySkill = new Map<string, HomeRecord[]>();
  const students = await findStudentsWithEvents(pool);
  for (const batch of inBatches(students, ({ entries }) => entries)) {
    const ids = batch.map(({ id }) => id);
    const events = await findAttemptEvents(pool, ids);
    for (const studentId of ids) {
      const own = new Map<string, Attempt[]>();
      for (const { skillId, ...attempt } of attemptsOf(events, studentId)) addTo(own, skillId, attempt);
      for (const [skillId, attempts] of own) addTo(bySkill, skillId, { studentId, attempts });
    }
    await touchFit(pool, 0, bySkill.size);
  }
  return bySkill;
}

function addTo<T>(lists: Map<string, T[]>, key: string, one: T): void {
  const list = lists.get(key);
  if (list) list.push(one);
  else lists.set(key, [one]);
}

function hashOf(attempts: readonly (readonly Attempt[])[]): string {
  return createHash('sha1')
    .update(JSON.stringify([FITTED_BY, attempts]))
    .digest('hex');
}

import type { FitStatus } from '@doceo/contract';
import type { HomeTrust, SkillFit } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

/** A fit that has not moved for so long broke off, seconds. */
const STALE_S = 60;

interface JobRow {
  state: FitStatus['state'];
  done: number;
  total: number;
  started_at: Date | null;
  ended_at: Date | null;
  stale: number;
  home: string | null;
}

/** How the fit stands; one that broke off counts as failed. */
export async function findFitStatus(db: Db): Promise<FitStatus> {
  const [job] = await rows<JobRow>(
    db,
    `SELECT state, done, total, started_at, ended_at, home,
       state = 'running' AND touched_at < UTC_TIMESTAMP(3) - INTERVAL ${STALE_S} SECOND AS stale
       FROM fit_job WHERE id = 1`,
  );
  const fits = await rows<{ skill_id: string; fit: string }>(db, 'SELECT skill_id, fit FROM skill_fits');
  return {
    state: job?.stale ? 'failed' : (job?.state ?? 'never'),
    done: job?.done ?? 0,
    of: job?.total ?? 0,
    startedAt: job?.started_at?.toISOString() ?? null,
    endedAt: job?.ended_at?.toISOString() ?? null,
    skills: Object.fromEntries(fits.map(({ skill_id, fit }) => [skill_id, JSON.parse(fit) as SkillFit])),
    home: job?.home ? (JSON.parse(job.home) as HomeTrust) : null,
  };
}

/** Takes the one place a fit may run in; false when one runs already, here or in another process. */
export async function claimFit(db: Db): Promise<boolean> {
  const touched = await write(
    db,
    `UPDATE fit_job SET state = 'running', done = 0, total = 0, started_at = UTC_TIMESTAMP(3),
       touched_at = UTC_TIMESTAMP(3), ended_at = NULL
       WHERE id = 1 AND (state <> 'running' OR touched_at < UTC_TIMESTAMP(3) - INTERVAL ${STALE_S} SECOND)`,
  );
  return touched > 0;
}

/** @param total skills with records, as far as they are counted */
export async function touchFit(db: Db, done: number, total: number): Promise<void> {
  await write(db, 'UPDATE fit_job SET done = ?, total = ?, touched_at = UTC_TIMESTAMP(3) WHERE id = 1', [
    done,
    total,
  ]);
}

/** It still runs, however long its next step takes. */
export async function keepFit(db: Db): Promise<void> {
  await write(db, "UPDATE fit_job SET touched_at = UTC_TIMESTAMP(3) WHERE id = 1 AND state = 'running'");
}

export async function endFit(db: Db, state: 'done' | 'failed'): Promise<void> {
  await write(db, 'UPDATE fit_job SET state = ?, ended_at = UTC_TIMESTAMP(3) WHERE id = 1', [state]);
}

/** A fit, and a hash of what it was made from. */
export interface MadeFit {
  fit: SkillFit;
  madeFrom: string;
}

/** The fits of before, by skill. */
export async function findFits(db: Db): Promise<Map<string, MadeFit>> {
  const found = await rows<{ skill_id: string; fit: string; made_from: string }>(
    db,
    'SELECT skill_id, fit, made_from FROM skill_fits',
  );
  return new Map(
    found.map(({ skill_id, fit, made_from }) => [
      skill_id,
      { fit: JSON.parse(fit) as SkillFit, madeFrom: made_from },
    ]),
  );
}

export async function replaceFits(
  db: Db,
  fits: ReadonlyMap<string, MadeFit>,
  home: HomeTrust,
): Promise<void> {
  await write(db, 'UPDATE fit_job SET home = ? WHERE id = 1', [JSON.stringify(home)]);
  await write(db, 'DELETE FROM skill_fits');
  if (fits.size === 0) return;
  await write(db, 'INSERT INTO skill_fits (skill_id, fit, made_from) VALUES ?', [
    [...fits].map(([skillId, { fit, madeFrom }]) => [skillId, JSON.stringify(fit), madeFrom]),
  ]);
}

/** All students with records, of every instructor, and how many entries there are of each; uses events_student. */
export async function findStudentsWithEvents(db: Db): Promise<{ id: string; entries: number }[]> {
  const found = await rows<{ id: string; entries: number }>(
    db,
    'SELECT student_id AS id, COUNT(*) AS entries FROM events WHERE student_id IS NOT NULL GROUP BY student_id',
  );
  return found.map(({ id, entries }) => ({ id, entries: Number(entries) }));
}

import { api, type Issue, type SavedBeat, type SavedLake } from '@doceo/contract';
import { type BeatFault, beatFaults, lakeFaults } from '@doceo/core';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { deleteBeat, findBeat, findBeats, insertBeat, updateBeat } from './beats.sql';
import { findLake, insertLake, isLargeLake, updateLake } from './lakes.sql';

/** Beats of rivers and drawings of lakes. */
export function drawingRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.waters.beats, may('see', 'water'), ({ params: { id } }) => findBeats(pool, id));

  route(router, pool, api.waters.saveBeat, may('draw', 'water'), async ({ params, body }) => {
    refuse('beat', beatFaults(body.beat));
    const drawn = { ...body.beat, id: params.beatId };
    const beat = { id: params.beatId, waterId: params.id, beat: drawn };
    if (body.baseVersion === 0) await insertBeat(pool, beat);
    else if (await updateBeat(pool, beat, body.baseVersion)) return ownBeat(pool, params.id, params.beatId);
    const stored = await ownBeat(pool, params.id, params.beatId);
    return sentAgain(stored, stored.beat, drawn);
  });

  route(router, pool, api.waters.removeBeat, may('draw', 'water'), async ({ params }) => {
    await deleteBeat(pool, params.id, params.beatId);
    return { ok: true as const };
  });

  route(router, pool, api.waters.lake, may('see', 'water'), async ({ params: { id }, passOnIf }) => {
    passOnIf(await isLargeLake(pool, id));
    return { saved: await findLake(pool, id) };
  });

  route(router, pool, api.waters.saveLake, may('draw', 'water'), async ({ params: { id }, body }) => {
    refuse('lake', lakeFaults(body.lake));
    const lake = { waterId: id, lake: body.lake };
    if (body.baseVersion === 0) await insertLake(pool, lake);
    else if (await updateLake(pool, lake, body.baseVersion)) return ownLake(pool, id);
    const stored = await ownLake(pool, id);
    return sentAgain(stored, stored.lake, body.lake);
  });
}

/** What is stored is an answer to a request that comes twice; to anything else it is a conflict. */
function sentAgain<T>(stored: T, before: unknown, sent: unknown): T {
  if (JSON.stringify(before) !== JSON.stringify(sent)) throw new HttpError('version-conflict');
  return stored;
}

/** @throws HttpError 'invalid' with a message for each fault at its place */
function refuse(what: string, faults: readonly BeatFault[]): void {
  const issues = faults.map(({ path, message }): Issue => ({
    path: `${what}.${path}`,
    code: 'invalid',
    message,
  }));
  if (issues.length > 0) throw new HttpError('invalid', issues);
}

async function ownBeat(db: Db, waterId: string, id: string): Promise<SavedBeat> {
  const found = await findBeat(db, waterId, id);
  if (!found) throw new HttpError('not-found');
  return found;
}

async function ownLake(db: Db, waterId: string): Promise<SavedLake> {
  const found = await findLake(db, waterId);
  if (!found) throw new HttpError('not-found');
  return found;
}

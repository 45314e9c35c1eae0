import { api, type Issue, type SavedBeat, type SavedLake } from '@doceo/contract';
import { type BeatFault, beatFaults, lakeFaults } from '@doceo/core';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { deleteBeat, findBeat, findBeats, insertBeat, updateBeat } from './beats.sql';
import { findLake, insertLake, updateLake } from './lakes.sql';
import { visibleWater } from './waters.routes';

/** Beats of rivers and drawings of lakes. */
export function drawingRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.waters.beats, async ({ user, params: { id } }) => {
    await visibleWater(pool, user.id, id);
    return findBeats(pool, id);
  });

  route(router, pool, api.waters.saveBeat, async ({ user, params, body }) => {
    await visibleWater(pool, user.id, params.id);
    refuse('beat', beatFaults(body.beat));
    const drawn = { ...body.beat, id: params.beatId };
    const beat = { id: params.beatId, waterId: params.id, beat: drawn };
    if (body.baseVersion === 0) await insertBeat(pool, beat);
    else if (await updateBeat(pool, beat, body.baseVersion)) return ownBeat(pool, params.id, params.beatId);
    const stored = await ownBeat(pool, params.id, params.beatId);
    return sentAgain(stored, stored.beat, drawn);
  });

  route(router, pool, api.waters.removeBeat, async ({ user, params }) => {
    await visibleWater(pool, user.id, params.id);
    await deleteBeat(pool, params.id, params.beatId);
    return { ok: true as const };
  });

  route(router, pool, api.waters.lake, async ({ user, params: { id } }) => {
    await visibleWater(pool, user.id, id);
    return { saved: await findLake(pool, id) };
  });

  route(router, pool, api.waters.saveLake, async ({ user, params: { id }, body }) => {
    await visibleWater(pool, user.id, id);
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

async function ownBeat(pool: Pool, waterId: string, id: string): Promise<SavedBeat> {
  const found = await findBeat(pool, waterId, id);
  if (!found) throw new HttpError('not-found');
  return found;
}

async function ownLake(pool: Pool, waterId: string): Promise<SavedLake> {
  const found = await findLake(pool, waterId);
  if (!found) throw new HttpError('not-found');
  return found;
}

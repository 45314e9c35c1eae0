import { randomUUID } from 'node:crypto';
import { api, type Assistants } from '@doceo/contract';
import type { Router } from 'express';
import { HOLDS_ASSIST, may } from '../access/access';
import { newToken } from '../access/token';
import type { Db, Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { openSession } from '../session/open-session';
import {
  type AssistOffer,
  closeAssistantLink,
  countAssistants,
  endAssistant,
  findAssistants,
  findAssistOffer,
  insertAssistant,
  setAssistantLink,
} from './assistants.sql';

/** So many help in one lesson at most. */
const MOST = 12;

/** Helping in one lesson: a code on the instructor's phone, a name, and the log of that lesson until it is over. */
export function assistantRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.assistants.list, may('change', 'lesson'), ({ params: { id } }) => told(pool, id));

  route(router, pool, api.assistants.open, may('change', 'lesson'), async ({ user, params: { id }, log }) => {
    if (Date.parse((await told(pool, id)).until) <= Date.now())
      throw new HttpError(
        'invalid',
        [{ path: 'id', code: 'over', message: 'is over' }],
        'The lesson is over.',
      );
    const token = newToken();
    await setAssistantLink(pool, id, token);
    log.info({ userId: user.id, lessonId: id }, 'code for assistants made');
    return { assistants: await told(pool, id), token };
  });

  route(router, pool, api.assistants.close, may('change', 'lesson'), async ({ params: { id } }) => {
    if (!(await closeAssistantLink(pool, id))) throw new HttpError('not-found');
    return told(pool, id);
  });

  route(router, pool, api.assistants.end, may('change', 'lesson'), async ({ user, params, log }) => {
    if (!(await endAssistant(pool, params.id, params.userId))) throw new HttpError('not-found');
    log.info({ userId: user.id, lessonId: params.id, assistantId: params.userId }, 'assistant ended');
    return told(pool, params.id);
  });

  route(router, pool, api.assistants.look, HOLDS_ASSIST, async ({ body: { token } }) => {
    const { lessonId: _id, startsAt, until, ...offer } = await offered(pool, token);
    return { ...offer, startsAt: startsAt.toISOString(), until: until.toISOString() };
  });

  route(router, pool, api.assistants.begin, HOLDS_ASSIST, async ({ body: { token, name }, request, log }) => {
    const userId = randomUUID();
    const lessonId = await pool.transaction(async (db) => {
      const offer = await offered(db, token);
      if ((await countAssistants(db, offer.lessonId)) >= MOST)
        throw new HttpError('too-many', [], 'Very many help in this lesson already.');
      await insertAssistant(db, userId, name, offer.lessonId);
      return offer.lessonId;
    });
    await openSession(request, userId);
    log.info({ userId, lessonId }, 'assistant began');
    return { ok: true as const };
  });
}

async function told(db: Db, lessonId: string): Promise<Assistants> {
  const assistants = await findAssistants(db, lessonId);
  if (!assistants) throw new HttpError('not-found');
  return assistants;
}

async function offered(db: Db, token: string): Promise<AssistOffer> {
  const offer = await findAssistOffer(db, token);
  if (!offer) throw new HttpError('not-found');
  return offer;
}

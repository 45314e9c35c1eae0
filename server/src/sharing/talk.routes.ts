import { api, type NewsItem, type PlanComment } from '@doceo/contract';
import type { Router } from 'express';
import { may } from '../access/access';
import type { Pool } from '../db/pool';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { findComment, deleteComment, findComments, insertComment, settleComment } from './comments.sql';
import { findNews, findNewsSeen, noteNewsSeen } from './news.sql';
import { refuseStudentNames } from './student-names';

/** What stays in the list until it is done; the rest is told once. */
const WAITS: ReadonlySet<NewsItem['kind']> = new Set(['newer', 'proposal', 'question']);

export function talkRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.comments.list, may('see', 'plan'), ({ user, params: { id }, query }) =>
    findComments(pool, user.id, id, query.before),
  );

  route(router, pool, api.comments.add, may('comment', 'plan'), async ({ user, params, body }) => {
    const known = await findComment(pool, user.id, body.id);
    if (known && (known.planId !== params.id || !known.mine)) throw new HttpError('already-exists');
    if (!known) {
      await refuseStudentNames(pool, user.id, { text: body.text });
      const answered = body.answers === null ? null : await findComment(pool, user.id, body.answers);
      if (body.answers !== null && (answered?.planId !== params.id || answered.answers !== null))
        throw new HttpError('invalid', [
          { path: 'answers', code: 'unknown', message: 'is no comment on this plan' },
        ]);
      await insertComment(pool, user.id, params.id, body);
    }
    const made = known ?? (await findComment(pool, user.id, body.id));
    if (!made) throw new HttpError('not-found');
    const { planId: _plan, ...comment } = made;
    return comment satisfies PlanComment;
  });

  route(router, pool, api.comments.settle, may('settle', 'comment'), async ({ params: { id }, body }) => {
    await settleComment(pool, id, body.settled);
    return { ok: true as const };
  });

  route(router, pool, api.comments.remove, may('remove', 'comment'), async ({ params: { id } }) => {
    await deleteComment(pool, id);
    return { ok: true as const };
  });

  route(router, pool, api.news.list, 'signed-in', async ({ user }) => {
    const [items, seenAt] = await Promise.all([findNews(pool, user.id), findNewsSeen(pool, user.id)]);
    const fresh = items.filter(({ kind, at }) => WAITS.has(kind) || seenAt === null || at > seenAt).length;
    return { items, fresh };
  });

  route(router, pool, api.news.seen, 'signed-in', async ({ user }) => {
    await noteNewsSeen(pool, user.id);
    return { ok: true as const };
  });
}

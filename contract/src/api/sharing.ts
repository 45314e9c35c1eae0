import * as z from 'zod';
import { idSchema, okSchema, versionSchema } from '../common';
import { savedPlanSchema } from '../lesson/plan';
import { commentSchema, commentTextSchema, newsSchema, proposalSchema } from '../sharing/talk';
import {
  beforeSchema,
  fullVersionSchema,
  hashSchema,
  incomingSchema,
  lineageSchema,
  mergeRequestSchema,
  planVersionSchema,
  versionPageSchema,
  wordSchema,
} from '../sharing/versions';
import { byId, endpoint } from './endpoint';

/** What plans have been, and what became of a plan elsewhere. */
export const versionsApi = {
  list: endpoint('get', '/plans/:id/versions', 'Versions of a plan, newest first, a page at a time', {
    params: byId,
    query: beforeSchema,
    reply: versionPageSchema,
  }),
  get: endpoint('get', '/plans/:id/versions/:versionId', 'A version with its plan', {
    params: z.strictObject({ id: idSchema, versionId: idSchema }),
    reply: fullVersionSchema,
  }),
  name: endpoint('post', '/plans/:id/versions', 'Keep a plan as it is now, with a word', {
    params: byId,
    body: z.strictObject({ baseVersion: versionSchema, note: wordSchema }),
    reply: planVersionSchema,
  }),
  lineage: endpoint('get', '/plans/:id/lineage', 'The plans that come from one another', {
    params: byId,
    reply: lineageSchema,
  }),
  incoming: endpoint('get', '/plans/:id/incoming', 'How the origin of my copy moved on', {
    params: byId,
    reply: incomingSchema,
  }),
  merge: endpoint('post', '/plans/:id/merge', 'Put what the origin became into my copy', {
    params: byId,
    body: mergeRequestSchema,
    reply: savedPlanSchema,
  }),
  pass: endpoint('post', '/plans/:id/pass', 'Leave my copy without what its origin became', {
    params: byId,
    body: z.strictObject({ theirsHash: hashSchema }),
    reply: okSchema,
  }),
};

/** Changes proposed back to the origin of a copy. */
export const proposalsApi = {
  make: endpoint('post', '/plans/:id/proposals', 'Propose the changes of my copy to its origin', {
    params: byId,
    body: z.strictObject({ id: idSchema, baseVersion: versionSchema, note: wordSchema }),
    reply: proposalSchema,
  }),
  list: endpoint('get', '/plans/:id/proposals', 'What I proposed from this copy, newest first', {
    params: byId,
    reply: z.array(proposalSchema),
  }),
  get: endpoint('get', '/proposals/:id', 'A proposal to a plan of mine', {
    params: byId,
    reply: incomingSchema,
  }),
  take: endpoint('post', '/proposals/:id/merge', 'Put a proposal, or parts of it, into my plan', {
    params: byId,
    body: mergeRequestSchema,
    reply: savedPlanSchema,
  }),
  decline: endpoint('post', '/proposals/:id/decline', 'Take nothing of a proposal, with a word', {
    params: byId,
    body: z.strictObject({ word: wordSchema }),
    reply: okSchema,
  }),
  withdraw: endpoint('delete', '/proposals/:id', 'Take a proposal of mine back', {
    params: byId,
    reply: okSchema,
  }),
};

/** What is asked and said of plans. */
export const commentsApi = {
  list: endpoint(
    'get',
    '/plans/:id/comments',
    'What was said of a plan, the newest first, a page at a time',
    {
      params: byId,
      query: beforeSchema,
      reply: z.strictObject({ items: z.array(commentSchema), next: idSchema.nullable() }),
    },
  ),
  add: endpoint('post', '/plans/:id/comments', 'Say something of a plan, or answer', {
    params: byId,
    body: z.strictObject({
      id: idSchema,
      blockId: idSchema.nullable(),
      answers: idSchema.nullable(),
      text: commentTextSchema,
    }),
    reply: commentSchema,
  }),
  settle: endpoint('post', '/comments/:id/settle', 'Settle a comment, or open it again', {
    params: byId,
    body: z.strictObject({ settled: z.boolean() }),
    reply: okSchema,
  }),
  remove: endpoint('delete', '/comments/:id', 'Take a comment away with its answers', {
    params: byId,
    reply: okSchema,
  }),
};

/** What happened to my plans while I was away. */
export const newsApi = {
  list: endpoint('get', '/news', 'What waits for me, and what was answered', { reply: newsSchema }),
  seen: endpoint('post', '/news/seen', 'I have seen it', { reply: okSchema }),
};

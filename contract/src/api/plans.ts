import * as z from 'zod';
import { idSchema, okSchema, versionSchema } from '../common';
import { wordSchema } from '../sharing/versions';
import { libraryQuerySchema, MAX_LISTED_PLANS } from '../lesson/library';
import { planBodySchema, planSummarySchema, planTitleSchema, savedPlanSchema } from '../lesson/plan';
import { endpoint, byId } from './endpoint';

/** Plans. */
export const plansApi = {
  list: endpoint('get', '/plans', 'The newest of my plans and of those shared with my circles', {
    reply: z.array(planSummarySchema).max(MAX_LISTED_PLANS),
  }),
  library: endpoint('get', '/library', 'Plans that I may use, by words and kind, a page at a time', {
    query: libraryQuerySchema,
    reply: z.strictObject({ items: z.array(planSummarySchema), next: idSchema.nullable() }),
  }),
  libraryWhole: endpoint(
    'get',
    '/library/plans',
    'The same with all that is in them; fewer where they are large',
    {
      query: libraryQuerySchema,
      reply: z.strictObject({ items: z.array(savedPlanSchema), next: idSchema.nullable() }),
    },
  ),
  get: endpoint('get', '/plans/:id', 'One plan', { params: byId, reply: savedPlanSchema }),
  create: endpoint('post', '/plans', 'Make a plan', {
    body: z.strictObject({ id: idSchema, title: planTitleSchema, body: planBodySchema }),
    reply: savedPlanSchema,
  }),
  update: endpoint('put', '/plans/:id', 'Save a plan', {
    params: byId,
    body: z.strictObject({ title: planTitleSchema, body: planBodySchema, baseVersion: versionSchema }),
    reply: savedPlanSchema,
  }),
  remove: endpoint('delete', '/plans/:id', 'Delete a plan', { params: byId, reply: okSchema }),
  share: endpoint('post', '/plans/:id/share', 'Share with a circle, or make private again', {
    params: byId,
    /** The word goes to whoever has a copy; sharing it again tells them of a new version. */
    body: z.strictObject({ circleId: idSchema.nullable(), note: wordSchema.optional() }),
    reply: savedPlanSchema,
  }),
  copy: endpoint('post', '/plans/:id/copy', 'Take my own copy', {
    params: byId,
    body: z.strictObject({ id: idSchema }),
    reply: savedPlanSchema,
  }),
};

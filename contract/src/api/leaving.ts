import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import { issueSchema } from '../http/error';
import { LINK_DAYS, linkTokenSchema, newLinkSchema, planLinkSchema, shownPlanSchema } from '../sharing/links';
import { COMING_KINDS, HOW_TAKEN } from '../sharing/coming-plans';
import { MAX_PLAN_BUNDLE, MAX_PLAN_FILE_BYTES, MAX_PLANS } from '../sharing/plan-bundle';
import { byId, endpoint } from './endpoint';

const fileTextSchema = z.string().max(MAX_PLAN_BUNDLE);

/** Plans as files. */
export const planFilesApi = {
  make: endpoint('post', '/plans/file', 'Plans as the text of a file', {
    body: z.strictObject({
      ids: z.array(idSchema).min(1).max(MAX_PLANS),
      /** Whether names of students become “a student”; else a text that names one is told, and nothing leaves. */
      withoutNames: z.boolean(),
    }),
    reply: z.strictObject({ text: z.string(), named: z.array(issueSchema) }),
  }),
  look: endpoint('post', '/plans/file/look', 'What would come of a file of plans', {
    body: z.strictObject({ text: fileTextSchema }),
    reply: z.array(
      z.strictObject({
        id: idSchema,
        title: z.string(),
        what: z.enum(COMING_KINDS),
        /** My plan that it belongs to. */
        with: z.strictObject({ id: idSchema, title: z.string() }).nullable(),
      }),
    ),
    slow: true,
    maxBytes: MAX_PLAN_FILE_BYTES,
  }),
  take: endpoint('post', '/plans/file/take', 'Take plans of a file, all that are chosen or none', {
    body: z.strictObject({
      text: fileTextSchema,
      /** What becomes of each plan of the file, by its id there; `as` is the id that a new one gets. */
      plans: z
        .array(z.strictObject({ id: idSchema, how: z.enum(HOW_TAKEN), as: idSchema }))
        .min(1)
        .max(MAX_PLANS),
    }),
    reply: z.strictObject({ added: z.int(), moved: z.int() }),
    slow: true,
    maxBytes: MAX_PLAN_FILE_BYTES,
  }),
};

/** Links for who has no account. */
export const linksApi = {
  list: endpoint('get', '/plans/:id/links', 'Links to a plan of mine, newest first', {
    params: byId,
    reply: z.array(planLinkSchema),
  }),
  make: endpoint('post', '/plans/:id/links', 'A link to my plan as it is now', {
    params: byId,
    body: z.strictObject({ id: idSchema, days: z.literal([...LINK_DAYS]) }),
    reply: newLinkSchema,
  }),
  revoke: endpoint('delete', '/links/:id', 'Close a link', { params: byId, reply: okSchema }),
  /** The token is in the body, so that it stands in no log. */
  open: endpoint('post', '/links/open', 'The plan behind a link', {
    access: 'public',
    body: z.strictObject({ token: linkTokenSchema }),
    reply: shownPlanSchema,
  }),
};

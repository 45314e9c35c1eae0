import * as z from 'zod';
import { idSchema, instantSchema } from '../common';
import { sharedPlanSchema } from './versions';

/** 128 random bits in the letters of web addresses. */
export const linkTokenSchema = z.string().regex(/^[A-Za-z0-9_-]{22}$/, 'is no token of a link');

/** For how many days a link can be made. */
export const LINK_DAYS = [7, 30, 120, 365] as const;

/** A link to a plan as its owner sees it. Its token is told when it is made, and never again. */
export const planLinkSchema = z.strictObject({
  id: idSchema,
  /** What the plan was called when it was made. */
  title: z.string(),
  at: instantSchema,
  until: instantSchema,
  revokedAt: instantSchema.nullable(),
  /** How often it was opened, and when last. */
  views: z.int(),
  viewedAt: instantSchema.nullable(),
});
export type PlanLink = z.infer<typeof planLinkSchema>;

export const newLinkSchema = z.strictObject({ link: planLinkSchema, token: linkTokenSchema });

/** What the holder of a link gets to see: one state of a plan, and nobody's lesson. */
export const shownPlanSchema = z.strictObject({
  ...sharedPlanSchema.shape,
  authorName: z.string(),
  /** When it was made what it is here, and until when it is shown. */
  at: instantSchema,
  until: instantSchema,
});
export type ShownPlan = z.infer<typeof shownPlanSchema>;

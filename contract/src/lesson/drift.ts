import { ACT_KINDS, type DriftSetup, HANDLINGS } from '@doceo/core';
import * as z from 'zod';

export const currentLaneSchema = z.strictObject({
  toM: z.number().min(0).max(200),
  speedMs: z.number().min(-4).max(4),
});

export const actSchema = z.strictObject({
  kind: z.enum(ACT_KINDS),
  atS: z.number().min(0).max(60),
  sizeM: z.number().min(-6).max(15),
  way: z.enum(['up', 'down']).default('up'),
  from: z.number().min(0).max(0.98).default(0),
  to: z.number().min(0.02).max(1).default(1),
});

/** The water and the lie of a drift. SI. */
export const driftSceneSchema = z.strictObject({
  lanes: z.array(currentLaneSchema).min(1).max(9),
  blendM: z.number().min(0).max(5).default(0.4),
  lieM: z.number().min(1).max(40),
  outM: z.number().min(0).max(30).default(0),
  rodM: z.number().min(1).max(6).default(2.74),
  slackShare: z.number().min(0).max(1).default(0.1),
  durationS: z.number().min(1).max(30).default(10),
  from: z.enum(['bank', 'boat']).default('bank'),
});

/** A drift of the Drift bench, as a plan carries it. */
export const driftSetupSchema = driftSceneSchema.extend({
  standM: z.number().min(-30).max(30),
  handling: z.enum(HANDLINGS),
  acts: z.array(actSchema).max(12),
}) satisfies z.ZodType<DriftSetup>;

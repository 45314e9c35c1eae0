import {
  BOX_STAGES,
  COLOUR_FAMILIES,
  type FlyBox,
  type Food,
  MAX_OF_A_KIND,
  WEIGHT_CLASSES,
} from '@doceo/core';
import * as z from 'zod';
import { lineSchema, versionSchema } from '../common';
import { hookSizeSchema } from './rig-parts';

export const flyBoxSchema = z.strictObject({
  flies: z
    .array(
      z.strictObject({
        stage: z.enum(BOX_STAGES),
        colour: z.enum(COLOUR_FAMILIES),
        weight: z.enum(WEIGHT_CLASSES),
        hookSize: hookSizeSchema,
        count: z.int().min(1).max(MAX_OF_A_KIND),
      }),
    )
    .max(1000),
}) satisfies z.ZodType<FlyBox>;

/** A box that was never filled has version 0. */
export const savedFlyBoxSchema = z.strictObject({ box: flyBoxSchema, version: z.int().min(0) });
export type SavedFlyBox = z.infer<typeof savedFlyBoxSchema>;
export const flyBoxUpdateSchema = z.strictObject({
  box: flyBoxSchema,
  baseVersion: versionSchema.or(z.literal(0)),
});

const imitationSchema = z.strictObject({
  stage: z.enum(BOX_STAGES),
  colours: z.array(z.enum(COLOUR_FAMILIES)).min(1).max(COLOUR_FAMILIES.length),
  weights: z.array(z.enum(WEIGHT_CLASSES)).min(1).max(WEIGHT_CLASSES.length),
  largest: hookSizeSchema,
  smallest: hookSizeSchema,
});

/** What lives in a water, by month. */
export const calendarSchema = z
  .array(
    z.strictObject({
      name: lineSchema(60),
      months: z.array(z.int().min(1).max(12)).max(12),
      imitations: z.array(imitationSchema).max(12),
    }),
  )
  .max(40) satisfies z.ZodType<Food[]>;

import { type Kit, REEL_HANDS, ROD_FOR } from '@doceo/core';
import * as z from 'zod';
import { lineSchema, versionSchema } from '../common';

export const kitEntrySchema = z.strictObject({
  item: lineSchema(60),
  count: z.int().min(0).max(999),
  priceEach: z.number().min(0).max(100_000).nullable(),
  lengthM: z.number().min(0.5).max(6).nullable(),
  rodFor: z.enum(ROD_FOR),
  reelHand: z.enum(REEL_HANDS),
  note: lineSchema(80, 0),
});

export const kitSchema = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/, 'is three capital letters, as EUR'),
  entries: z.array(kitEntrySchema).max(200),
}) satisfies z.ZodType<Kit>;

/** A kit of which nothing was said has version 0. */
export const savedKitSchema = z.strictObject({ kit: kitSchema, version: z.int().min(0) });
export type SavedKit = z.infer<typeof savedKitSchema>;
export const kitUpdateSchema = z.strictObject({
  kit: kitSchema,
  baseVersion: versionSchema.or(z.literal(0)),
});

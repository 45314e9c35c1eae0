import { LAKE_KINDS, type Lake, MAX_SOUNDINGS } from '@doceo/core';
import * as z from 'zod';
import { sheetOriginSchema, pieceSchema } from './beat';
import { idSchema, lineSchema } from '../common';

export const soundingSchema = z.strictObject({ x: z.number(), y: z.number(), depthM: z.number() });

/** A lake as it is drawn and sounded; what cannot be in it is told by `lakeFaults` with its place. */
export const lakeSchema = z.strictObject({
  id: lineSchema(60),
  name: lineSchema(80),
  lengthM: z.number().min(10).max(5000),
  widthM: z.number().min(10).max(5000),
  origin: sheetOriginSchema.optional(),
  boats: z.boolean(),
  pieces: z.array(pieceSchema(LAKE_KINDS, 2000)).max(300),
  soundings: z.array(soundingSchema).max(MAX_SOUNDINGS),
}) satisfies z.ZodType<Lake>;

/** The drawing of a still water. */
export const savedLakeSchema = z.strictObject({
  waterId: idSchema,
  lake: lakeSchema,
  version: z.int().min(1),
});
export type SavedLake = z.infer<typeof savedLakeSchema>;

/** Longest request that brings a lake with all its soundings, bytes. */
export const MAX_LAKE_BYTES = 6_000_000;

import { MAX_GROUP, STRANDS, WATER_KINDS } from '@doceo/core';
import * as z from 'zod';
import { idSchema } from '../common';

/** So many plans are listed at once, the newest; all others are found in the library. */
export const MAX_LISTED_PLANS = 100;

/** What is looked for among the plans that one may use; what is left out is all the same. */
export const libraryQuerySchema = z.strictObject({
  /** All of them have to be in it, each also as the beginning of a word. */
  words: z.string().max(120).optional(),
  strand: z.enum(STRANDS).optional(),
  water: z.enum(WATER_KINDS).optional(),
  /** Longest lesson, minutes, and students that have to find room. */
  longest: z.coerce.number().int().min(1).max(1440).optional(),
  group: z.coerce.number().int().min(1).max(MAX_GROUP).optional(),
  /** My own alone. */
  whose: z.literal('mine').optional(),
  before: idSchema.optional(),
});
export type LibraryQuery = z.infer<typeof libraryQuerySchema>;

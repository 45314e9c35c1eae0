import * as z from 'zod';
import { idSchema, idsTextSchema, instantSchema } from '../common';

/** So many lessons are listed at once. */
export const MAX_LISTED_LESSONS = 60;
/** Of those around now so many have begun; the others are to come. */
export const MAX_LISTED_BEGUN = 20;

/**
 * Which lessons are listed; without a word those around now. From an instant on they are the first ones, else the last ones
 * there are; always by start. A full list may have more behind it: they are asked for from the start of its last one on.
 */
export const lessonQuerySchema = z.strictObject({
  /** Those that begin at this instant or later, and before the other. */
  from: instantSchema.optional(),
  until: instantSchema.optional(),
  planId: idSchema.optional(),
  ids: idsTextSchema(MAX_LISTED_LESSONS).optional(),
});
export type LessonQuery = z.infer<typeof lessonQuerySchema>;

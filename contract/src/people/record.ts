import { STRANDS } from '@doceo/core';
import * as z from 'zod';
import { idSchema, idsTextSchema, libraryIdSchema } from '../common';
import { eventBodySchema } from '../lesson/event';

/** Students of one lesson, or some that are named, at once. */
export const MAX_RECORDS = 60;

/** Where a student stands, for a list. */
export const progressSchema = z.strictObject({
  id: idSchema,
  attempts: z.int().min(0),
  /** Epoch milliseconds of the last attempt. */
  lastAtMs: z.int().nullable(),
  /** Skills that are ready to build on now, by strand; none where a strand is left out. */
  ready: z.partialRecord(z.enum(STRANDS), z.int().min(0)),
});
export type StudentProgress = z.infer<typeof progressSchema>;

const placesSchema = z.array(z.int().min(0));

/** What counts of a record, column by column: every entry has the same place in `ids`, `afterMs`, `lesson` and `body`. */
export const recordColumnsSchema = z.strictObject({
  lessons: z.array(idSchema),
  bodies: z.array(eventBodySchema),
  ids: z.array(z.string().max(36)),
  afterMs: z.array(z.int()),
  lesson: placesSchema,
  body: placesSchema,
});
export const studentColumnsSchema = z.strictObject({ studentId: idSchema, columns: recordColumnsSchema });
export type StudentColumns = z.infer<typeof studentColumnsSchema>;

/** Either of a lesson, or of students by their ids, with commas between. */
export const recordQuerySchema = z
  .strictObject({
    lessonId: idSchema.optional(),
    ids: idsTextSchema(MAX_RECORDS).optional(),
  })
  .refine(({ lessonId, ids }) => (lessonId === undefined) !== (ids === undefined), 'needs lessonId or ids');

const shareSchema = z.number().min(0).max(1);

const effectSchema = z.strictObject({
  n: z.int(),
  students: z.int(),
  attempts: z.int(),
  rise: z.strictObject({ mean: z.number(), low: z.number(), high: z.number() }).nullable(),
  good: z.strictObject({ first: shareSchema, last: shareSchema }).nullable(),
});

/** How well drills and plans worked with all one's students; the best of each first. */
export const effectsSchema = z.strictObject({
  drills: z.array(effectSchema.extend({ drillId: libraryIdSchema })),
  /** Lessons whose plan is gone are told under its title. */
  plans: z.array(effectSchema.extend({ planId: idSchema.nullable(), title: z.string() })),
  /** Ids of all skills, drills and faults that the records name. */
  named: z.array(libraryIdSchema),
});
export type Effects = z.infer<typeof effectsSchema>;

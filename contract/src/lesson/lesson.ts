import { MAX_GROUP } from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema } from '../common';
import { planBodySchema } from './plan';

/** A plan on a day, at a water, with students; their order is the order of the plan's lanes. */
export const lessonSchema = z
  .strictObject({
    /** Null for a lesson that goes on with its copy of a plan that is gone. */
    planId: idSchema.nullable(),
    waterId: idSchema,
    startsAt: instantSchema,
    studentIds: z.array(idSchema).max(MAX_GROUP),
  })
  .refine(({ studentIds }) => isEachOnce(studentIds), {
    path: ['studentIds'],
    message: 'names a student twice',
  });
export type Lesson = z.infer<typeof lessonSchema>;

/** A lesson with the plan as it is taught in it: the one it was made from may have gone, or may no longer be shared. */
export const savedLessonSchema = z.strictObject({
  id: idSchema,
  ...lessonSchema.shape,
  planTitle: z.string(),
  lengthMin: z.number(),
  waterName: z.string(),
  /** Whether it is the user's own: whoever teaches along does not change it. */
  mine: z.boolean(),
  /** Who teaches, whose lesson it is first, each with those of the group who are his. */
  instructors: z
    .array(z.strictObject({ userId: idSchema, name: z.string(), studentIds: z.array(idSchema) }))
    .min(1),
});
export type SavedLesson = z.infer<typeof savedLessonSchema>;

/** So many teach along in a lesson at most. */
export const MAX_ALONG = 5;
/** Whoever teaches along sees the records of the lesson's students for so long after its day, days. */
export const ALONG_DAYS = 7;

/** Who teaches along, and whom of the group each has; all others are with whose lesson it is. */
export const alongSchema = z
  .strictObject({
    instructors: z
      .array(z.strictObject({ userId: idSchema, studentIds: z.array(idSchema).max(MAX_GROUP) }))
      .max(MAX_ALONG),
  })
  .refine(({ instructors }) => isEachOnce(instructors.map(({ userId }) => userId)), {
    path: ['instructors'],
    message: 'names somebody twice',
  })
  .refine(({ instructors }) => isEachOnce(instructors.flatMap(({ studentIds }) => studentIds)), {
    path: ['instructors'],
    message: 'gives a student to two',
  });
export type Along = z.infer<typeof alongSchema>;

const isEachOnce = (ids: readonly string[]): boolean => new Set(ids).size === ids.length;

/** Fellows who could teach along, and whether they teach elsewhere in its hours. */
export const fellowInstructorsSchema = z.array(
  z.strictObject({ userId: idSchema, name: z.string(), isTaken: z.boolean() }),
);
export type FellowInstructor = z.infer<typeof fellowInstructorsSchema>[number];

/** The plan as it is taught in a lesson. It follows the plan until the lesson is over. */
export const lessonPlanSchema = z.strictObject({
  lessonId: idSchema,
  title: z.string(),
  body: planBodySchema,
});
export type LessonPlan = z.infer<typeof lessonPlanSchema>;

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
  .refine((lesson) => new Set(lesson.studentIds).size === lesson.studentIds.length, {
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
});
export type SavedLesson = z.infer<typeof savedLessonSchema>;

/** The plan as it is taught in a lesson. It follows the plan until the lesson is over. */
export const lessonPlanSchema = z.strictObject({
  lessonId: idSchema,
  title: z.string(),
  body: planBodySchema,
});
export type LessonPlan = z.infer<typeof lessonPlanSchema>;

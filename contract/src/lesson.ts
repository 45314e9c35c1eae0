import { MAX_GROUP } from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema } from './common';

/** A plan on a day, at a water, with students; their order is the order of the plan's lanes. */
export const lessonSchema = z
  .strictObject({
    planId: idSchema,
    waterId: idSchema,
    startsAt: instantSchema,
    studentIds: z.array(idSchema).max(MAX_GROUP),
  })
  .refine((lesson) => new Set(lesson.studentIds).size === lesson.studentIds.length, {
    path: ['studentIds'],
    message: 'names a student twice',
  });
export type Lesson = z.infer<typeof lessonSchema>;

export const savedLessonSchema = z.strictObject({
  id: idSchema,
  ...lessonSchema.shape,
  planTitle: z.string(),
  lengthMin: z.number(),
  waterName: z.string(),
});
export type SavedLesson = z.infer<typeof savedLessonSchema>;

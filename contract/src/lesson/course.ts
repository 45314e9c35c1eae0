import { MAX_GROUP } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, libraryIdSchema, lineSchema } from '../common';

/** Most skills that one course is about. */
export const MAX_GOALS = 12;

/** What students of a group want to be able to do by a day. Its lessons are those of the calendar they come to. */
export const courseSchema = z
  .strictObject({
    name: lineSchema(80),
    /** Lessons count from this day on, and by the end of the other the goals are wanted. */
    fromOn: dateSchema,
    untilOn: dateSchema,
    /** Ids of skills. */
    goals: z.array(libraryIdSchema).min(1).max(MAX_GOALS),
    studentIds: z.array(idSchema).max(MAX_GROUP),
  })
  .superRefine(({ fromOn, untilOn, goals, studentIds }, context) => {
    const wrong = (path: string, message: string): void =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (untilOn < fromOn) wrong('untilOn', 'is before its first day');
    if (new Set(goals).size < goals.length) wrong('goals', 'names a skill twice');
    if (new Set(studentIds).size < studentIds.length) wrong('studentIds', 'names a student twice');
  });
export type Course = z.infer<typeof courseSchema>;

export const savedCourseSchema = z.strictObject({ id: idSchema, course: courseSchema });
export type SavedCourse = z.infer<typeof savedCourseSchema>;

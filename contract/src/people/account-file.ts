import * as z from 'zod';
import { instantSchema } from '../common';
import { savedLayerSchema } from '../curriculum/layer';
import { savedCourseSchema } from '../lesson/course';
import { savedKitSchema } from '../lesson/kit';
import { savedLessonSchema } from '../lesson/lesson';
import { savedPlanSchema } from '../lesson/plan';
import { savedFlyBoxSchema } from '../rig/fly-box';
import { savedReadingSchema } from '../rig/reading';
import { savedRigSchema } from '../rig/rig';
import { savedBeatSchema } from '../water/beat';
import { savedLakeSchema } from '../water/lake';
import { savedWaterSchema } from '../water/water';
import { ROLES } from './circle';
import { settingsSchema } from './session';
import { studentFileSchema } from './student-file';

export const ACCOUNT_FILE_FORMAT = 'doceo-account';
export const ACCOUNT_FILE_VERSION = 1;

/** Everything that is an instructor's own, for him to take along. Parts are as their own routes and files tell them. */
export const accountFileSchema = z.strictObject({
  format: z.literal(ACCOUNT_FILE_FORMAT),
  version: z.literal(ACCOUNT_FILE_VERSION),
  writtenAt: instantSchema,
  account: z.strictObject({ name: z.string(), email: z.string(), settings: settingsSchema }),
  circles: z.array(z.strictObject({ name: z.string(), role: z.enum(ROLES) })),
  /** The files of his students, each as it can be taken in again. */
  students: z.array(studentFileSchema),
  plans: z.array(savedPlanSchema),
  lessons: z.array(savedLessonSchema),
  courses: z.array(savedCourseSchema),
  waters: z.array(
    z.strictObject({
      water: savedWaterSchema,
      beats: z.array(savedBeatSchema),
      lake: savedLakeSchema.nullable(),
    }),
  ),
  rigs: z.array(savedRigSchema),
  readings: z.array(savedReadingSchema),
  flyBox: savedFlyBoxSchema,
  kit: savedKitSchema,
  teaching: savedLayerSchema,
  /** What he wrote on plans. */
  comments: z.array(z.strictObject({ plan: z.string(), text: z.string(), at: instantSchema })),
});
export type AccountFile = z.infer<typeof accountFileSchema>;

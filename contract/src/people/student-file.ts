import * as z from 'zod';
import { dateSchema, idSchema, instantSchema, libraryIdSchema, lineSchema } from '../common';
import { MAX_GOALS } from '../lesson/course';
import { eventSchema } from '../lesson/event';
import { takenReadingSchema } from '../rig/reading';
import { readDocument, type ReadFile } from '../files/document-file';
import { askedConsentSchema } from './consent';
import { studentSchema } from './student';
import { homeEntrySchema } from './student-page';

export const STUDENT_FILE_FORMAT = 'doceo-student';
export const STUDENT_FILE_VERSION = 1;

/** Most entries of one student: some twenty seasons of the keenest. */
export const MAX_STUDENT_EVENTS = 200_000;
/** Longest file that is read, characters; room for all of them. */
export const MAX_STUDENT_FILE = 80_000_000;

/** Everything there is about one student, for the student to take along. */
export const studentFileSchema = z
  .strictObject({
    format: z.literal(STUDENT_FILE_FORMAT),
    version: z.literal(STUDENT_FILE_VERSION),
    writtenAt: instantSchema,
    student: studentSchema.extend({ id: idSchema }),
    lessons: z
      .array(
        z.strictObject({
          id: idSchema,
          title: lineSchema(80),
          water: lineSchema(80),
          startsAt: instantSchema,
        }),
      )
      .max(20_000),
    /** What it was all about; told, and not taken in again. */
    courses: z
      .array(
        z.strictObject({
          name: lineSchema(80),
          fromOn: dateSchema,
          untilOn: dateSchema,
          goals: z.array(libraryIdSchema).max(MAX_GOALS),
        }),
      )
      .max(1000)
      .optional(),
    events: z.array(eventSchema).max(MAX_STUDENT_EVENTS),
    readings: z.array(takenReadingSchema).max(20_000),
    /** What guardians were asked and answered; told, and not taken in again. */
    consents: z
      .array(
        askedConsentSchema.pick({
          state: true,
          askedAt: true,
          byName: true,
          answeredAt: true,
          takenBackAt: true,
        }),
      )
      .max(1000)
      .optional(),
    /** What was done at home and nobody has looked at; told, and not taken in again. */
    atHome: z.array(homeEntrySchema).max(20_000).optional(),
  })
  .superRefine(({ student, lessons, events, readings }, context) => {
    const known = new Set(lessons.map(({ id }) => id));
    const wrong = (path: (string | number)[], message: string): void =>
      context.addIssue({ code: 'custom', path, message });
    events.forEach(({ studentId, lessonId }, i) => {
      if (studentId !== student.id) wrong(['events', i, 'studentId'], 'is of another student');
      if (!known.has(lessonId)) wrong(['events', i, 'lessonId'], 'is of no lesson in this file');
    });
    readings.forEach(({ studentId }, i) => {
      if (studentId !== student.id) wrong(['readings', i, 'studentId'], 'is of another student');
    });
    for (const [name, list] of [
      ['lessons', lessons],
      ['events', events],
      ['readings', readings],
    ] as const) {
      const seen = new Set<string>();
      list.forEach(({ id }, i) => {
        if (seen.has(id)) wrong([name, i, 'id'], 'is in the file twice');
        seen.add(id);
      });
    }
  });
export type StudentFile = z.infer<typeof studentFileSchema>;

/** Reads the text of a student's file: all of it, or everything that is wrong with it by path. */
export function readStudentFile(text: string): ReadFile<StudentFile> {
  return readDocument(text, studentFileSchema, MAX_STUDENT_FILE, 'a student');
}

/** What goes when a student is deleted. */
export const deletionEffectSchema = z.strictObject({
  events: z.int(),
  readings: z.int(),
  lessons: z.int(),
  /** Lessons still to come that lose the student. */
  comingLessons: z.int(),
  courses: z.int(),
  rigs: z.int(),
  /** Fellows who see or taught him: they lose what they have of him too. */
  others: z.array(z.string()),
});
export type DeletionEffect = z.infer<typeof deletionEffectSchema>;

export const lookSchema = z.strictObject({
  who: z.string(),
  what: z.enum(['record', 'export']),
  hour: instantSchema,
});
export type Look = z.infer<typeof lookSchema>;

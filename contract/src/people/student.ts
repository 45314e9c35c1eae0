import { NEEDS } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, lineSchema, textSchema } from '../common';

/** What an instructor keeps about a student. Never part of a plan. */
export const studentSchema = z.strictObject({
  name: lineSchema(80),
  bornOn: dateSchema.nullable(),
  /** Said of one without a birthday; whose age nobody has said is treated as a minor. */
  saidAdult: z.boolean().default(false),
  hand: z.enum(['right', 'left']),
  /** Metres, for wading; null when nobody has said it. */
  heightM: z.number().min(0.8).max(2.3).nullable().default(null),
  /** What he needs, as a list that is reckoned with. */
  needs: z
    .array(z.enum(NEEDS))
    .max(NEEDS.length)
    .refine((needs) => new Set(needs).size === needs.length, 'names a need twice')
    .default([]),
  /** For the instructor alone. */
  note: textSchema(500),
  guardianName: textSchema(80),
  guardianContact: textSchema(120),
  guardianConsentOn: dateSchema.nullable(),
});
export type Student = z.infer<typeof studentSchema>;

export const savedStudentSchema = z.strictObject({ id: idSchema, student: studentSchema, mine: z.boolean() });
export type SavedStudent = z.infer<typeof savedStudentSchema>;

/** So many students are told at once, by name; more are asked for after the last one of a full list. */
export const MAX_LISTED_STUDENTS = 200;

/** After whom the list goes on: by what was told of him, so that it does whatever became of him meanwhile. */
export const studentQuerySchema = z
  .strictObject({ afterName: z.string().max(80).optional(), afterId: idSchema.optional() })
  .refine(
    ({ afterName, afterId }) => (afterName === undefined) === (afterId === undefined),
    'needs afterName with afterId',
  );
export type StudentQuery = z.infer<typeof studentQuerySchema>;

/** Whole years on a day, or null when the birthday is unknown. Both ISO dates. */
export function ageOn(bornOn: string | null, date: string): number | null {
  if (!bornOn) return null;
  return (
    Number(date.slice(0, 4)) - Number(bornOn.slice(0, 4)) - (date.slice(5, 10) < bornOn.slice(5, 10) ? 1 : 0)
  );
}

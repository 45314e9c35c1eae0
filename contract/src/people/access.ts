import * as z from 'zod';
import { dateSchema, idSchema, instantSchema, lineSchema } from '../common';

const personSchema = z.strictObject({ userId: idSchema, name: z.string() });

/** Who else may see a student's record, who could be let, and to whom the student is to go over. */
export const studentAccessSchema = z.strictObject({
  people: z.array(
    personSchema.extend({
      since: instantSchema,
      /** The last day on which he may; null until it is ended. */
      untilOn: dateSchema.nullable(),
      /** The lesson through which alone he sees it: it ends with that; null where it was given by name. */
      lesson: z.strictObject({ id: idSchema, title: z.string() }).nullable(),
    }),
  ),
  /** Fellows of the keeper's circles who may not see it. */
  fellows: z.array(personSchema),
  handOver: personSchema
    .extend({ consentBy: z.string(), consentOn: dateSchema, at: instantSchema })
    .nullable(),
  /** Who agreed to what went before, newest first. */
  before: z.array(z.strictObject({ from: z.string(), consentBy: z.string(), consentOn: dateSchema })),
});
export type StudentAccess = z.infer<typeof studentAccessSchema>;

export const accessGrantSchema = z.strictObject({ untilOn: dateSchema.nullable() });
export const handOverSchema = z.strictObject({
  userId: idSchema,
  /** The student, or the guardian of a minor, who agreed that the record goes over. */
  consentBy: lineSchema(80),
  consentOn: dateSchema,
});

/** A student whom somebody wants to hand over to me. */
export const incomingStudentSchema = z.strictObject({
  studentId: idSchema,
  name: z.string(),
  from: z.string(),
  consentBy: z.string(),
  consentOn: dateSchema,
  at: instantSchema,
});
export type IncomingStudent = z.infer<typeof incomingStudentSchema>;

import * as z from 'zod';
import { dateSchema, idSchema } from '../common';

/** How long records of students are kept, in months. */
export const keepingRuleSchema = z
  .strictObject({
    /** Entries of lessons and readings, each from its day on. */
    entryMonths: z.int().min(1).max(600),
    /** All of a student, from the last lesson on. */
    studentMonths: z.int().min(1).max(600),
  })
  .refine(({ entryMonths, studentMonths }) => studentMonths >= entryMonths, {
    path: ['studentMonths'],
    message: 'a student is kept as long as his entries, or longer',
  });
export type KeepingRule = z.infer<typeof keepingRuleSchema>;
export const keepingChangeSchema = z.strictObject({ rule: keepingRuleSchema.nullable() });

/** Days between a rule being set and the first thing that goes by it. */
export const KEEPING_NOTICE_DAYS = 14;

/** Of so many students is told at most what goes. */
export const MAX_GOES = 50;

/** How long the user's records are kept, by whose rule, and what goes next. */
export const keepingSchema = z.strictObject({
  own: keepingRuleSchema.nullable(),
  circles: z.array(
    z.strictObject({
      circleId: idSchema,
      name: z.string(),
      rule: keepingRuleSchema.nullable(),
      /** Whether the user may set it. */
      mine: z.boolean(),
    }),
  ),
  /** The shortest of them, which is the one that counts; null where nobody has set any. */
  rule: keepingRuleSchema.nullable(),
  /** What goes in the next weeks, by day, the first of it. */
  goes: z
    .array(
      z.strictObject({
        studentId: idSchema,
        name: z.string(),
        what: z.enum(['entries', 'student']),
        on: dateSchema,
        entries: z.int(),
      }),
    )
    .max(MAX_GOES),
  /** Of how many more something goes. */
  goesBesides: z.int().min(0),
});
export type Keeping = z.infer<typeof keepingSchema>;

import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../common';
import { letterTokenSchema } from './session';

/** An assistant sees the lesson for so long after its end, minutes. */
export const ASSIST_AFTER_MIN = 60;
/** What he logged without a connection is still taken for so long after that, hours. */
export const ASSIST_LATE_HOURS = 24;

/** Who helps in a lesson, and whether its code is open to more. */
export const assistantsSchema = z.strictObject({
  open: z.boolean(),
  /** Until when any of it works. */
  until: instantSchema,
  people: z.array(
    z.strictObject({
      userId: idSchema,
      name: z.string(),
      since: instantSchema,
      ended: z.boolean(),
      /** What he logged. */
      entries: z.int(),
    }),
  ),
});
export type Assistants = z.infer<typeof assistantsSchema>;

/** What a code leads to. */
export const assistOfferSchema = z.strictObject({
  instructor: z.string(),
  title: z.string(),
  water: z.string(),
  startsAt: instantSchema,
  timeZone: z.string(),
  until: instantSchema,
});
export const assistTokenSchema = z.strictObject({ token: letterTokenSchema });
export const assistBeginSchema = assistTokenSchema.extend({ name: lineSchema(80) });

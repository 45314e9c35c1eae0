import { PLACE_KINDS, type Water, WATER_KINDS } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, lineSchema, textSchema } from '../common';
import { calendarSchema } from '../rig/fly-box';

const monthDaySchema = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'must be month-day, e.g. 03-15');

export const ruleCardSchema = z.strictObject({
  licence: textSchema(300),
  seasonFrom: monthDaySchema,
  seasonTo: monthDaySchema,
  maxHooks: z.int().min(1).max(6),
  barbless: z.boolean(),
  leadAllowed: z.boolean(),
  release: textSchema(300),
  hours: textSchema(200),
  other: textSchema(1000),
  whoSaysSo: textSchema(200),
  checkedOn: dateSchema.nullable(),
  checkedBy: lineSchema(80).nullable(),
});

export const placeSchema = z.strictObject({
  id: lineSchema(40),
  name: lineSchema(60),
  kind: z.enum(PLACE_KINDS),
  lengthM: z.number().min(1).max(5000),
});

export const timeZoneSchema = z
  .string()
  .max(60)
  .refine((zone) => {
    try {
      return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
    } catch {
      return false;
    }
  }, 'is no known time zone');

export const waterSchema = z.strictObject({
  name: lineSchema(80),
  kind: z.enum(WATER_KINDS),
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  timeZone: timeZoneSchema,
  places: z.array(placeSchema).max(40),
  rules: ruleCardSchema,
  calendar: calendarSchema.nullable().default(null),
}) satisfies z.ZodType<Water>;

export const savedWaterSchema = z.strictObject({
  id: idSchema,
  water: waterSchema,
  mine: z.boolean(),
  /** Whether the user may draw in it, log readings and tick its card. */
  editable: z.boolean(),
});
export type SavedWater = z.infer<typeof savedWaterSchema>;

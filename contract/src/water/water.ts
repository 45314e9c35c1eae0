import {
  METHODS,
  PLACE_KINDS,
  type RuleCard,
  type Saying,
  SPECIES,
  type Water,
  WATER_KINDS,
} from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, lineSchema, textSchema } from '../common';
import { calendarSchema } from '../rig/fly-box';

/** Half a place on the earth is none. */
const WHOLE_PLACE = { path: ['longitude'], message: 'belongs to a latitude' };
function hasWholePlace(at: {
  latitude?: number | null | undefined;
  longitude?: number | null | undefined;
}): boolean {
  return (at.latitude ?? null) === null ? (at.longitude ?? null) === null : (at.longitude ?? null) !== null;
}

const monthDaySchema = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'must be month-day, e.g. 03-15');

export const ruleCardSchema = z.strictObject({
  licence: textSchema(300),
  seasonFrom: monthDaySchema.nullable(),
  seasonTo: monthDaySchema.nullable(),
  maxHooks: z.int().min(1).max(6).nullable(),
  barbless: z.boolean().nullable(),
  leadAllowed: z.boolean().nullable(),
  forbidden: z.array(z.enum(METHODS)).max(METHODS.length).nullish(),
  release: textSchema(300),
  hours: textSchema(200),
  other: textSchema(1000),
  whoSaysSo: textSchema(200),
  checkedOn: dateSchema.nullable(),
  checkedBy: lineSchema(80).nullable(),
}) satisfies z.ZodType<RuleCard>;

export const placeSchema = z.strictObject({
  id: lineSchema(40),
  name: lineSchema(60),
  kind: z.enum(PLACE_KINDS),
  lengthM: z.number().min(1).max(5000),
  lengthFrom: z.enum(['measured', 'entered', 'typical']).default('entered'),
});

const sayingSchema = z.strictObject({
  by: lineSchema(80),
  on: dateSchema,
  source: textSchema(200),
}) satisfies z.ZodType<Saying>;

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

const fields = {
  name: lineSchema(80),
  kind: z.enum(WATER_KINDS),
  latitude: z.number().min(-90).max(90).nullable(),
  longitude: z.number().min(-180).max(180).nullable(),
  species: z.array(z.enum(SPECIES)).max(SPECIES.length),
};

export const waterSchema = z
  .strictObject({
    ...fields,
    species: fields.species.default([]),
    timeZone: timeZoneSchema,
    places: z.array(placeSchema).max(40),
    rules: ruleCardSchema,
    said: z.record(lineSchema(80), sayingSchema).default({}),
    calendar: calendarSchema.nullable().default(null),
  })
  .refine(hasWholePlace, WHOLE_PLACE) satisfies z.ZodType<Water>;

/** What is changed of a water and of its card, each field by itself, and from where one has it. */
export const waterChangeSchema = z
  .strictObject({
    source: textSchema(200).default(''),
    ...z.object(fields).partial().shape,
    rules: ruleCardSchema.omit({ checkedOn: true, checkedBy: true }).partial().optional(),
    putPlaces: z.array(placeSchema).max(40).optional(),
    removePlaces: z.array(lineSchema(40)).max(40).optional(),
  })
  .refine(hasWholePlace, WHOLE_PLACE);
export type WaterChange = z.infer<typeof waterChangeSchema>;

export const savedWaterSchema = z.strictObject({
  id: idSchema,
  water: waterSchema,
  mine: z.boolean(),
  /** Whether the user may draw in it, log readings and tick its card. */
  editable: z.boolean(),
  /** The circle that uses it too. */
  circleId: idSchema.nullable(),
});
export type SavedWater = z.infer<typeof savedWaterSchema>;

/** What goes with a water when it is deleted, and what keeps it from being deleted. */
export const waterDeletionSchema = z.strictObject({
  beats: z.int(),
  lakes: z.int(),
  readings: z.int(),
  /** Lessons at it, also of others: as long as there are any it stays. */
  lessons: z.int(),
});
export type WaterDeletion = z.infer<typeof waterDeletionSchema>;

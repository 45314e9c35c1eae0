import { type ConditionHour, type ConditionReading, READING_KINDS, READING_RANGES } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, instantSchema } from '../common';

export const conditionHourSchema = z.strictObject({
  atMs: z.number(),
  airC: z.number(),
  windMs: z.number().min(0),
  gustMs: z.number().min(0),
  windFromDeg: z.number().min(0).max(360),
  pressureHpa: z.number(),
  cloud: z.number().min(0).max(1),
  rainMm: z.number().min(0),
  thunder: z.number().min(0).max(1),
  levelM: z.number(),
  flow: z.number().min(0),
  waterC: z.number(),
}) satisfies z.ZodType<ConditionHour>;

/** What somebody read at a water: the moment, what, how much, and at what depth. */
export const conditionReadingSchema = z
  .strictObject({
    id: idSchema,
    atMs: z.int().min(0),
    what: z.enum(READING_KINDS),
    value: z.number(),
    depthM: z.number().min(0).max(120).nullable(),
  })
  .superRefine(({ what, value, depthM }, context) => {
    const { from, to } = READING_RANGES[what];
    if (value < from || value > to)
      context.addIssue({ code: 'custom', path: ['value'], message: `is from ${from} to ${to}` });
    if (depthM !== null && what !== 'waterC')
      context.addIssue({
        code: 'custom',
        path: ['depthM'],
        message: 'is for temperatures of the water only',
      });
  }) satisfies z.ZodType<ConditionReading>;

/** Readings of a few days by the hour. */
export const MAX_READINGS = 2000;

/** A reading with who put it in, and when; nobody for those of before that was kept. */
export const savedConditionReadingSchema = conditionReadingSchema.safeExtend({
  by: z.string(),
  mine: z.boolean(),
  enteredAt: instantSchema,
});
export type SavedConditionReading = z.infer<typeof savedConditionReadingSchema>;

export const conditionsQuerySchema = z.strictObject({ date: dateSchema });

/** The most days that are told at once. */
export const MAX_OUTLOOK_DAYS = 14;

/** So many days from one on. */
export const outlookQuerySchema = z.strictObject({
  date: dateSchema,
  days: z.coerce.number().int().min(1).max(MAX_OUTLOOK_DAYS),
});

/** Conditions of one day at a water, from midnight to midnight there. */
export const conditionDaySchema = z.strictObject({
  waterId: z.string(),
  date: dateSchema,
  /** Who says so. */
  source: z.string(),
  /** True for the station that stands in for a real one: it foretells nothing. */
  simulated: z.boolean(),
  /** The station's hours with the readings over them; none while nobody has said where the water lies. */
  hours: z.array(conditionHourSchema),
  /** What was read from the day before to the day after. */
  readings: z.array(savedConditionReadingSchema),
});
export type ConditionDay = z.infer<typeof conditionDaySchema>;

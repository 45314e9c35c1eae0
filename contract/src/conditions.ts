import type { ConditionHour } from '@doceo/core';
import { z } from 'zod';
import { dateSchema } from './common';

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

export const conditionsQuerySchema = z.strictObject({ date: dateSchema });

/** Conditions of one day at a water, from midnight to midnight there. */
export const conditionDaySchema = z.strictObject({
  waterId: z.string(),
  date: dateSchema,
  /** Who says so: a simulated station stands in for a real one. */
  source: z.literal('simulated station'),
  hours: z.array(conditionHourSchema),
});
export type ConditionDay = z.infer<typeof conditionDaySchema>;

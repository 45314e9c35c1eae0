import { FAULTS, SKILLS } from '@doceo/core';
import { z } from 'zod';
import { dateSchema, idSchema, lineSchema } from './common';
import { planBodySchema } from './plan';
import { rigSchema } from './rig';
import { timeZoneSchema, waterSchema } from './water';

const evidenceSchema = z.array(z.strictObject({ label: z.string(), text: z.string() }));
const snagSchema = z.looseObject({
  id: z.string(),
  rule: z.string(),
  level: z.enum(['stop', 'mind', 'note']),
  title: z.string(),
  reason: z.string(),
  evidence: evidenceSchema,
});
const unitsSchema = z.enum(['metric', 'imperial']).default('metric');
const momentSchema = z.int().min(0).max(4_102_444_800_000);

const estimateSchema = z.strictObject({
  mastery: z.number(),
  low: z.number(),
  high: z.number(),
  nextGood: z.number(),
  learn: z.number(),
  attempts: z.int(),
  goods: z.int(),
  lastAtMs: z.number().nullable(),
});

const attemptSchema = z.strictObject({ id: lineSchema(60), atMs: momentSchema, good: z.boolean() });
const skillIdSchema = z.string().refine((id) => SKILLS.has(id), 'is no skill of the graph');
const faultIdSchema = z.string().refine((id) => FAULTS.some((fault) => fault.id === id), 'is no known fault');

/** Input and output of every computation that is also a command. */
export const commands = {
  'rig-figures': {
    summary:
      'Figures and snags of a rig: leader length, indicator distance, weakest link, line left at the net, hooks.',
    input: z.strictObject({
      rig: rigSchema,
      water: waterSchema.nullable().default(null),
      units: unitsSchema,
    }),
    output: z.strictObject({
      figures: z.array(
        z.looseObject({
          id: z.string(),
          value: z.number(),
          unit: z.string(),
          limit: z.number().nullable(),
          text: z.string(),
          rule: z.string(),
          certainty: z.string(),
        }),
      ),
      snags: z.array(snagSchema),
    }),
  },
  'skill-trace': {
    summary: 'Probability of mastery of one skill, with its interval, from good and faulty attempts.',
    input: z.strictObject({ attempts: z.array(attemptSchema).max(100_000), nowMs: momentSchema }),
    output: estimateSchema,
  },
  'fault-rates': {
    summary: 'Rate of each fault per attempt with a 90 % interval and its trend, most frequent first.',
    input: z.strictObject({
      attempts: z
        .array(z.strictObject({ atMs: momentSchema, faultId: faultIdSchema.nullable() }))
        .max(100_000),
    }),
    output: z.strictObject({
      attempts: z.int(),
      rates: z.array(
        z.strictObject({
          faultId: z.string(),
          count: z.int(),
          rate: z.number(),
          low: z.number(),
          high: z.number(),
          trend: z.enum(['falling', 'rising', 'unclear']),
        }),
      ),
    }),
  },
  'plan-check': {
    summary:
      'All snags of a plan, with reason, evidence and fixes; with a lesson also those of day, water and students.',
    input: z.strictObject({
      plan: planBodySchema,
      lesson: z
        .strictObject({
          startMs: momentSchema,
          date: dateSchema,
          water: waterSchema,
          students: z
            .array(
              z.strictObject({
                id: idSchema,
                name: lineSchema(80),
                ageYears: z.int().min(0).max(120).nullable(),
                guardianConsent: z.boolean(),
                attempts: z.array(attemptSchema.extend({ skillId: skillIdSchema })).max(100_000),
              }),
            )
            .max(8),
        })
        .nullable()
        .default(null),
    }),
    output: z.strictObject({ snags: z.array(snagSchema) }),
  },
  'sun-times': {
    summary: 'First light, sunrise, sunset and last light of a day at a place.',
    input: z.strictObject({
      latitude: z.number().min(-90).max(90),
      longitude: z.number().min(-180).max(180),
      date: dateSchema,
      timeZone: timeZoneSchema.default('UTC'),
    }),
    output: z.strictObject({
      dawn: z.string().nullable(),
      sunrise: z.string().nullable(),
      sunset: z.string().nullable(),
      dusk: z.string().nullable(),
    }),
  },
} as const;

export type CommandName = keyof typeof commands;

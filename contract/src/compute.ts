import { FAULTS, LINE_KINDS, SKILLS, TEMPLATE_IDS } from '@doceo/core';
import { z } from 'zod';
import { dateSchema, idSchema, lineSchema } from './common';
import { planBodySchema } from './plan';
import { flySchema, rigSchema, templateParametersSchema } from './rig';
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
  'rig-template': {
    summary:
      'A rig from one of the templates; parameters that are left out take the template’s own defaults.',
    input: z.strictObject({
      template: z.enum(TEMPLATE_IDS),
      parameters: templateParametersSchema.partial().default({}),
    }),
    output: z.strictObject({ rig: rigSchema }),
  },
  'float-margin': {
    summary: 'Whether the dry fly or the indicator of a rig carries what hangs below it.',
    input: z.strictObject({
      rig: rigSchema,
      floatant: z.boolean().default(true),
      fishedMin: z.number().min(0).max(1440).default(0),
    }),
    output: z.strictObject({
      float: z
        .strictObject({
          floatId: z.string(),
          floatName: z.string(),
          kind: z.enum(['dry', 'indicator']),
          liftN: z.number(),
          ownN: z.number(),
          loadN: z.number(),
          margin: z.number().nullable(),
          measured: z.boolean(),
          parts: z.array(z.strictObject({ name: z.string(), submergedN: z.number() })),
        })
        .nullable(),
    }),
  },
  'fly-mass': {
    summary: 'Mass of a fly from hook wire, bead and dressing, and its weight under water.',
    input: z.strictObject({ fly: flySchema }),
    output: z.strictObject({
      hookKg: z.number(),
      beadKg: z.number(),
      dressingKg: z.number(),
      totalKg: z.number(),
      submergedN: z.number(),
      measured: z.boolean(),
    }),
  },
  'free-sink': {
    summary: 'Speed at which a fly sinks on a slack line, and seconds to a depth; null for what floats.',
    input: z.strictObject({ fly: flySchema, depthM: z.number().min(0).max(100) }),
    output: z.strictObject({ terminalMs: z.number(), seconds: z.number().nullable() }),
  },
  countdown: {
    summary: 'Seconds to count until a line has sunk to a depth, for one kind of line or for all that sink.',
    input: z.strictObject({
      depthM: z.number().min(0).max(100),
      line: z.enum(LINE_KINDS).nullable().default(null),
    }),
    output: z.strictObject({
      lines: z.array(
        z.strictObject({
          line: z.enum(LINE_KINDS),
          seconds: z.number(),
          fromSeconds: z.number(),
          toSeconds: z.number(),
        }),
      ),
    }),
  },
  taper: {
    summary: 'Bending stiffness and diameter from section to section, with hinges, meant or by mistake.',
    input: z.strictObject({ rig: rigSchema }),
    output: z.strictObject({
      steps: z.array(
        z.strictObject({
          sectionId: z.string(),
          aboveFlyM: z.number(),
          stiffnessRatio: z.number(),
          diameterStepM: z.number(),
          hinge: z.enum(['none', 'meant', 'mistake']),
        }),
      ),
      profile: z.array(
        z.strictObject({ aboveFlyM: z.number(), diameterM: z.number(), stiffness: z.number() }),
      ),
      hinges: z.int(),
    }),
  },
  'class-kit': {
    summary:
      'What a class needs: metres of every material with knots, flies, shot, indicators, with spares by tangles.',
    input: z.strictObject({
      uses: z
        .array(
          z.strictObject({
            rig: rigSchema,
            name: lineSchema(80),
            students: z
              .array(
                z.strictObject({
                  name: lineSchema(80),
                  tanglesPerHour: z.number().min(0).max(60).nullable().default(null),
                }),
              )
              .max(40),
            hours: z.number().min(0).max(24),
          }),
        )
        .max(40),
    }),
    output: z.strictObject({
      items: z.array(
        z.strictObject({
          group: z.string(),
          name: z.string(),
          unit: z.enum(['pieces', 'm']),
          count: z.number(),
          spares: z.number(),
        }),
      ),
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

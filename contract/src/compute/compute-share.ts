import { MERGE_SIDES } from '@doceo/core';
import * as z from 'zod';
import { idSchema } from '../common';
import { issueSchema } from '../http/error';
import { planBodySchema, planTitleSchema } from '../lesson/plan';
import { lineageFileSchema } from '../sharing/plan-bundle';
import { hashSchema, sharedPlanSchema } from '../sharing/versions';
import { laidOver, lessonInputSchema } from './parts';

const pathSchema = z.string().max(300);
const pathsSchema = z.array(pathSchema);
/** A value of a plan: whatever stands at a path; left out where nothing does. */
const valueSchema = z.json().optional();

const changeSchema = z.enum(['comes', 'goes', 'changes']);
const fieldsSchema = z.array(z.strictObject({ field: pathSchema, before: valueSchema, after: valueSchema }));
const differenceSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('plan'), path: pathSchema, before: valueSchema, after: valueSchema }),
  z.strictObject({
    ...{ of: z.literal('block'), path: pathSchema, blockId: z.string(), title: z.string() },
    ...{
      change: z.enum([...changeSchema.options, 'moves', 'later']),
      byMin: z.number(),
      fields: fieldsSchema,
    },
  }),
  z.strictObject({
    ...{ of: z.literal('rig'), path: pathSchema, name: z.string() },
    ...{ change: changeSchema, fields: fieldsSchema },
  }),
  z.strictObject({ of: z.literal('plan-b'), path: pathSchema, before: valueSchema, after: valueSchema }),
  z.strictObject({
    ...{ of: z.literal('carried'), path: pathSchema, list: z.enum(['skills', 'faults', 'drills']) },
    ...{ name: z.string(), change: changeSchema },
  }),
]);

const depthsSchema = z.strictObject({ lowM: z.number().min(0).max(60), highM: z.number().min(0).max(60) });
const bandShape = { mean: z.number(), low: z.number(), high: z.number() };

/** Commands about plans that travel between people. */
export const shareCommands = {
  'plan-canonical': {
    summary:
      'A plan in the one form in which equal plans are equal texts (RFC 8785), and its hash (SHA-256).',
    input: sharedPlanSchema,
    output: z.strictObject({ text: z.string(), hash: z.string() }),
  },
  'plan-diff': {
    summary: 'What differs between two states of a plan, by block and by field.',
    input: z.strictObject({ before: sharedPlanSchema, after: sharedPlanSchema }),
    output: z.strictObject({ differences: z.array(differenceSchema) }),
  },
  'plan-merge': {
    summary:
      'Two plans that come from one put together, with what waits for a choice; choices go by path, an empty path is all.',
    input: z.strictObject({
      ...{ origin: sharedPlanSchema, mine: sharedPlanSchema, theirs: sharedPlanSchema },
      choices: z.record(pathSchema, z.enum(MERGE_SIDES)).default({}),
    }),
    output: z.strictObject({
      /** As it is so far: what waits for a choice is as it was in the origin. */
      plan: sharedPlanSchema,
      conflicts: z.array(
        z.strictObject({ path: pathSchema, origin: valueSchema, mine: valueSchema, theirs: valueSchema }),
      ),
      /** Paths of what each side alone changed, and of what was made of both. */
      from: z.strictObject({ mine: pathsSchema, theirs: pathsSchema, both: pathsSchema }),
    }),
  },
  'effect-pool': {
    summary:
      'Effects of a drill in several schools taken together, with bands that hold 8 of 10; null below the limit.',
    input: z.strictObject({
      schools: z
        .array(
          z.strictObject({
            school: z.string().max(80),
            students: z.int().min(1).max(100_000),
            lessons: z.int().min(1).max(100_000),
            mean: z.number().min(-1).max(1),
            spread: z.number().min(0).max(2),
          }),
        )
        .max(500),
    }),
    output: z.strictObject({
      pooled: z
        .strictObject({
          ...bandShape,
          between: z.number(),
          students: z.int(),
          schools: z.array(z.strictObject({ school: z.string(), students: z.int(), ...bandShape })),
        })
        .nullable(),
    }),
  },
  'library-fit': {
    summary:
      'How well a plan suits a lesson: its group, its water, its time, and what the check finds besides.',
    input: z.strictObject({
      ...{ ...laidOver, plan: planBodySchema, lesson: lessonInputSchema },
      minutes: z.int().min(15).max(720),
      depthM: depthsSchema.nullable().default(null),
    }),
    output: z.strictObject({
      verdict: z.enum(['fits', 'with-changes', 'other-water']),
      students: z.array(
        z.strictObject({
          ...{ id: z.string(), name: z.string(), first: z.array(z.string()) },
          readiness: z.enum(['ready', 'needs-first', 'look-first']),
        }),
      ),
      water: z.strictObject({
        ...{ kindFits: z.boolean(), missing: z.array(z.string()), depthFits: z.boolean() },
        ...{ wants: depthsSchema.nullable(), has: depthsSchema.nullable() },
      }),
      time: z.strictObject({ takesMin: z.number(), hasMin: z.number() }),
      group: z.strictObject({ plannedFor: z.number(), comes: z.number() }),
      check: z.strictObject({ mustFix: z.int(), check: z.int() }),
      strain: z.number(),
    }),
  },
  'plan-bundle': {
    summary: 'Plans as the text of a file that another installation reads.',
    input: z.strictObject({
      plans: z
        .array(
          z.strictObject({ id: idSchema, plan: sharedPlanSchema, lineage: lineageFileSchema.default([]) }),
        )
        .min(1),
    }),
    output: z.strictObject({ text: z.string() }),
  },
  'plan-bundle-check': {
    summary: 'What would come of a file of plans, or what is wrong with it by path and line.',
    input: z.strictObject({
      text: z.string(),
      known: z
        .array(
          z.strictObject({
            ...{ id: idSchema, title: planTitleSchema, hash: hashSchema },
            hashes: z.array(hashSchema).default([]),
          }),
        )
        .default([]),
    }),
    output: z.strictObject({
      comes: z.array(
        z.strictObject({
          ...{ id: z.string(), title: z.string(), with: z.string().nullable() },
          what: z.enum(['new', 'same', 'newer', 'older', 'apart']),
        }),
      ),
      faults: z.array(issueSchema),
    }),
  },
} as const;

import { MERGE_SIDES } from '@doceo/core';
import * as z from 'zod';
import { sharedPlanSchema } from '../sharing/versions';

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
} as const;

import { MERGE_SIDES } from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema, textSchema, versionSchema } from '../common';
import { planBodySchema, planTitleSchema, savedPlanSchema } from '../lesson/plan';

/**
 * What makes a version of a plan; saving makes none. `kept` is how it was before something was put into it, `sent` as it
 * left in a file or behind a link.
 */
export const VERSION_REASONS = [
  ...(['named', 'shared', 'copied', 'taught', 'proposed', 'merged', 'kept', 'sent'] as const),
] as const;

/** A word that goes with a version, a proposal or its answer. */
export const wordSchema = textSchema(500);

export const sharedPlanSchema = z.strictObject({ title: planTitleSchema, body: planBodySchema });

/** SHA-256 of the canonical text. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/);

/** A state of a plan that counts, without what is in it. */
export const planVersionSchema = z.strictObject({
  id: idSchema,
  planId: idSchema,
  hash: hashSchema,
  title: z.string(),
  why: z.enum(VERSION_REASONS),
  note: z.string(),
  authorName: z.string(),
  at: instantSchema,
  /** What it was made of: one, or two where two were put together. One that may not be seen is left out. */
  parents: z.array(idSchema),
  /** Lessons that were taught by it. */
  taught: z.int(),
});
export type PlanVersion = z.infer<typeof planVersionSchema>;

export const fullVersionSchema = planVersionSchema.extend({ plan: sharedPlanSchema });

/** Where a list goes on: the last one that was told. */
export const beforeSchema = z.strictObject({ before: idSchema.optional() });

export const versionPageSchema = z.strictObject({
  items: z.array(planVersionSchema),
  /** For the next page; null where there is none. */
  next: idSchema.nullable(),
});

export const mergeChoicesSchema = z.record(z.string().max(300), z.enum(MERGE_SIDES));

/** Something that was changed elsewhere and waits to be put into a plan of mine. */
export const incomingSchema = z.strictObject({
  plan: savedPlanSchema,
  /** What both come from; null where that is not kept any more. */
  base: sharedPlanSchema.nullable(),
  theirs: sharedPlanSchema,
  theirsHash: hashSchema,
  /** Whose it is, and the plan it comes from, while that can be seen. */
  byName: z.string(),
  note: z.string(),
  at: instantSchema,
  baseAt: instantSchema.nullable(),
  proposalId: idSchema.nullable(),
});
export type Incoming = z.infer<typeof incomingSchema>;

export const mergeRequestSchema = z.strictObject({
  /** Of my plan. */
  baseVersion: versionSchema,
  theirsHash: hashSchema,
  choices: mergeChoicesSchema,
  /** For whoever proposed it. */
  word: wordSchema.optional(),
});

/** The plans that come from one another, as far as I may see them. */
export const lineageSchema = z.strictObject({
  plans: z.array(
    z.strictObject({
      id: idSchema,
      title: z.string(),
      ownerName: z.string(),
      mine: z.boolean(),
      /** Whether it can be opened: of one that only proposed something, no more is told than that. */
      seen: z.boolean(),
      circleName: z.string().nullable(),
      originId: idSchema.nullable(),
    }),
  ),
  versions: z.array(planVersionSchema),
});
export type Lineage = z.infer<typeof lineageSchema>;

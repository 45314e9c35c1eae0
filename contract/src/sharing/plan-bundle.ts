import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../common';
import { hashSchema, sharedPlanSchema, VERSION_REASONS, wordSchema } from './versions';

export const PLAN_BUNDLE_FORMAT = 'doceo-plans';
export const PLAN_BUNDLE_VERSION = 1;
/** Longest file that is read, characters. */
export const MAX_PLAN_BUNDLE = 4_000_000;
/** The same as it is sent to the server, in JSON, bytes. */
export const MAX_PLAN_FILE_BYTES = 3 * MAX_PLAN_BUNDLE;
/** Most plans in a file, and most versions that are told of each. */
export const MAX_PLANS = 50;
export const MAX_LINEAGE = 400;

/** A state that the plan was in before, without what was in it. */
const ancestorSchema = z.strictObject({
  id: idSchema,
  hash: hashSchema,
  why: z.enum(VERSION_REASONS),
  note: wordSchema,
  authorName: lineSchema(80),
  at: instantSchema,
  /** Versions of this list that it was made of. */
  parents: z.array(idSchema).max(2),
});

export const lineageFileSchema = z.array(ancestorSchema).max(MAX_LINEAGE);

const bundledSchema = z.strictObject({
  id: idSchema,
  /** SHA-256 of the canonical text of title and body. */
  hash: hashSchema,
  ...sharedPlanSchema.shape,
  lineage: lineageFileSchema,
});
export type BundledPlan = z.infer<typeof bundledSchema>;

/** Plans as a file: with the rigs, drills, skills, faults and drifts they carry, and how they came about. */
export const planBundleSchema = z.strictObject({
  format: z.literal(PLAN_BUNDLE_FORMAT),
  version: z.literal(PLAN_BUNDLE_VERSION),
  plans: z.array(bundledSchema).min(1).max(MAX_PLANS),
});
export type PlanBundle = z.infer<typeof planBundleSchema>;

import { EVIDENCE_KINDS, NEEDS } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, libraryIdSchema, lineSchema } from '../common';
import { layerSchema } from '../curriculum/layer';
import { waterSchema } from '../water/water';

export const momentSchema = z.int().min(0).max(4_102_444_800_000);

export const attemptSchema = z.strictObject({
  id: lineSchema(60),
  atMs: momentSchema,
  good: z.boolean(),
  evidence: z.enum(EVIDENCE_KINDS).optional(),
  choices: z.int().min(2).max(6).optional(),
  home: z.boolean().optional(),
});

/** What is taught besides, or in the place of, what ships; nothing when left out. */
export const laidOver = { layer: layerSchema.optional() };

/** How much estimates rose with a drill, on the mean over the bouts that were seen. */
export const measuredDrillSchema = z.strictObject({
  drillId: libraryIdSchema,
  n: z.int().min(0).max(1_000_000),
  rise: z.object({ mean: z.number().min(-1).max(1) }).nullable(),
});

/** A plan put on a day, at a water, with students in the order of the lanes. */
export const lessonInputSchema = z.strictObject({
  startMs: momentSchema,
  date: dateSchema,
  water: waterSchema,
  /** How many there are of each thing that was counted. */
  stock: z.record(z.string().max(60), z.int().min(0).max(999)).optional(),
  /** How well drills worked up to now, of those that were measured. */
  effects: z.array(measuredDrillSchema).max(4000).optional(),
  students: z
    .array(
      z.strictObject({
        id: idSchema,
        name: lineSchema(80),
        ageYears: z.int().min(0).max(120).nullable(),
        saidAdult: z.boolean().default(false),
        guardianConsent: z.boolean(),
        needs: z.array(z.enum(NEEDS)).max(NEEDS.length).default([]),
        attempts: z
          .array(attemptSchema.extend({ skillId: libraryIdSchema, faultId: libraryIdSchema.optional() }))
          .max(100_000),
      }),
    )
    .max(8),
});

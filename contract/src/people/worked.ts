import { STRANDS } from '@doceo/core';
import * as z from 'zod';
import { libraryIdSchema } from '../common';

/** A share of students, -1…1, with the band in which it lies in 8 of 10 such cases. */
const bandSchema = z.strictObject({ mean: z.number(), low: z.number(), high: z.number() });

/** How well a drill worked over the schools that tell: how much more of its students have the skill after it. */
export const workedDrillSchema = z.strictObject({
  drillId: libraryIdSchema,
  name: z.string(),
  strand: z.enum(STRANDS),
  /** Of all schools together. */
  ...bandSchema.shape,
  students: z.int(),
  /** This circle's own, null where it has too little or tells nothing; other schools have no name here. */
  mine: bandSchema.nullable(),
  others: z.array(bandSchema),
});
export type WorkedDrill = z.infer<typeof workedDrillSchema>;

export const workedSchema = z.strictObject({
  /** Whether this circle tells how its own lessons went. */
  tells: z.boolean(),
  /** The best of them first. */
  drills: z.array(workedDrillSchema),
  /** Drills of this circle of which there is too little to say anything; without any count. */
  few: z.array(z.strictObject({ drillId: libraryIdSchema, name: z.string() })),
});
export type Worked = z.infer<typeof workedSchema>;

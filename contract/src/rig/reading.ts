import {
  BEADS,
  DRESSING_IDS,
  INDICATOR_STYLES,
  KNOT_IDS,
  LINE_KINDS,
  MATERIAL_IDS,
  type TakenReading,
  WIRE_IDS,
} from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema } from '../common';
import { diameterSchema, hookSizeSchema } from './rig-parts';

const flyTypeSchema = z.strictObject({
  hookSize: hookSizeSchema,
  wire: z.enum(WIRE_IDS),
  dressing: z.enum(DRESSING_IDS),
  bead: z.enum(BEADS),
  beadDiameterM: z.number().min(0).max(0.006),
});

const massSchema = z.number().min(1e-6).max(0.05);
const speedSchema = z.number().min(0.005).max(3);
const forceSchema = z.number().min(0.2).max(400);

/** What was read, in SI: kg, m/s, N, Pa, each within what can be. */
export const readingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['fly-mass', 'fly-lift']), fly: flyTypeSchema, value: massSchema }),
  z.strictObject({ kind: z.literal('fly-sink'), fly: flyTypeSchema, value: speedSchema }),
  z.strictObject({
    kind: z.literal('material-strength'),
    material: z.enum(MATERIAL_IDS),
    diameterM: diameterSchema,
    value: forceSchema,
  }),
  z.strictObject({
    kind: z.literal('material-stiffness'),
    material: z.enum(MATERIAL_IDS),
    value: z.number().min(1e7).max(1e11),
  }),
  z.strictObject({
    kind: z.literal('knot'),
    knot: z.enum(KNOT_IDS),
    material: z.enum(MATERIAL_IDS),
    diameterM: diameterSchema,
    value: forceSchema,
  }),
  z.strictObject({ kind: z.literal('line-sink'), line: z.enum(LINE_KINDS), value: speedSchema }),
  z.strictObject({
    kind: z.literal('indicator-lift'),
    style: z.enum(INDICATOR_STYLES),
    diameterM: z.number().min(0.004).max(0.05),
    value: massSchema,
  }),
]);

export const takenReadingSchema = z.strictObject({
  id: idSchema,
  studentId: idSchema.nullable(),
  on: dateSchema,
  reading: readingSchema,
}) satisfies z.ZodType<TakenReading>;

export const savedReadingSchema = takenReadingSchema.extend({ mine: z.boolean() });
export type SavedReading = z.infer<typeof savedReadingSchema>;

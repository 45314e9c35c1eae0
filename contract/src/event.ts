import {
  type BankEvent,
  CHANGE_KINDS,
  findDrill,
  findFault,
  LEAST_TAPS,
  MISS_CAUSES,
  RETRIEVES,
  SAFETY_KINDS,
  SKILLS,
  STONE_KINDS,
} from '@doceo/core';
import * as z from 'zod';
import { idSchema, lineSchema, textSchema } from './common';

export const eventBodySchema = z.discriminatedUnion('kind', [
  z
    .strictObject({
      kind: z.literal('attempt'),
      skillId: z
        .string()
        .max(60)
        .refine((id) => SKILLS.has(id), 'is no skill of the graph'),
      drillId: z
        .string()
        .max(60)
        .refine((id) => findDrill(id) !== undefined, 'is no drill of the library')
        .nullable(),
      good: z.boolean(),
      faultId: z
        .string()
        .max(60)
        .refine((id) => findFault(id) !== undefined, 'is no known fault')
        .nullable(),
    })
    .refine((body) => !(body.good && body.faultId), {
      path: ['faultId'],
      message: 'a good attempt has no fault',
    }),
  z.strictObject({
    kind: z.literal('fish'),
    species: lineSchema(40),
    lengthCm: z.number().min(1).max(200).nullable(),
    outcome: z.enum(['to-hand', 'lost']),
  }),
  z.strictObject({ kind: z.literal('miss'), cause: z.enum(MISS_CAUSES) }),
  z.strictObject({ kind: z.literal('change'), what: z.enum(CHANGE_KINDS), to: textSchema(120) }),
  z.strictObject({
    kind: z.literal('tried'),
    depthM: z.number().min(0).max(30),
    retrieve: z.enum(RETRIEVES),
    pattern: lineSchema(40),
    moved: z.boolean(),
  }),
  z
    .strictObject({
      kind: z.literal('lane'),
      lane: z.int().min(1).max(12),
      of: z.int().min(1).max(12),
    })
    .refine(({ lane, of }) => lane <= of, { path: ['lane'], message: 'lies outside the pool' }),
  z.strictObject({
    kind: z.literal('temperature'),
    celsius: z.number().min(-2).max(40),
    depthM: z.number().min(0).max(60).nullable(),
  }),
  z.strictObject({
    kind: z.literal('stones'),
    counts: z
      .partialRecord(z.enum(STONE_KINDS), z.int().min(0).max(999))
      .refine((counts) => Object.values(counts).some((count) => count > 0), 'nothing was counted'),
  }),
  z.strictObject({ kind: z.literal('safety'), what: z.enum(SAFETY_KINDS), text: textSchema(500) }),
  z.strictObject({
    kind: z.literal('tempo'),
    lineM: z.number().min(1).max(30),
    tapsMs: z
      .array(z.int().min(0).max(600_000))
      .min(LEAST_TAPS)
      .max(200)
      .refine((taps) => taps.every((at, i) => i === 0 || at > (taps[i - 1] as number)), 'must rise'),
  }),
  z.strictObject({ kind: z.literal('tangle'), seconds: z.int().min(0).max(7200).nullable() }),
  z.strictObject({
    kind: z.literal('note'),
    text: textSchema(1000).refine((text) => text.length > 0, 'must not be empty'),
    aboutId: idSchema.nullable().default(null),
  }),
  z.strictObject({ kind: z.literal('undo'), targetId: idSchema }),
]);

/** The latest instant a device clock may claim: the year 2100. */
const LATEST_MS = 4_102_444_800_000;

export const eventSchema = z.strictObject({
  id: idSchema,
  lessonId: idSchema,
  studentId: idSchema.nullable(),
  blockId: idSchema.nullable(),
  deviceId: idSchema,
  atMs: z.int().min(0).max(LATEST_MS),
  body: eventBodySchema,
}) satisfies z.ZodType<BankEvent>;

export const MAX_EVENTS = 500;

export const refusedEventSchema = z.strictObject({
  id: idSchema,
  code: z.enum(['no-lesson', 'no-student', 'no-consent', 'id-taken', 'no-target']),
  message: z.string(),
});
export const eventReceiptSchema = z.strictObject({
  stored: z.array(idSchema),
  known: z.array(idSchema),
  refused: z.array(refusedEventSchema),
});
export type EventReceipt = z.infer<typeof eventReceiptSchema>;

export const eventQuerySchema = z
  .strictObject({
    studentId: idSchema.optional(),
    lessonId: idSchema.optional(),
    studentsOfLesson: idSchema.optional(),
  })
  .refine(
    (query) => Object.values(query).filter(Boolean).length === 1,
    'needs exactly one of studentId, lessonId, studentsOfLesson',
  );

import {
  type BankEvent,
  CAST_ANGLES,
  CHANGE_KINDS,
  type Curriculum,
  EVIDENCE_KINDS,
  MIN_TAPS,
  MISS_CAUSES,
  REPLAN_REASONS,
  RETRIEVES,
  SAFETY_KINDS,
  STONE_KINDS,
} from '@doceo/core';
import * as z from 'zod';
import { blockSchema } from './plan';
import { halfCharacters, idSchema, libraryIdSchema, lineSchema, textSchema } from '../common';
import { type Issue, issueSchema, toIssues } from '../http/error';

/** Longest sentence of an instructor on a card, characters: what is read in one breath. */
export const MAX_SENTENCE = 160;

/** What was asked, and which of the choices was taken. */
const askedSchema = z
  .strictObject({
    questionId: libraryIdSchema,
    choice: z.int().min(0).max(5),
    choices: z.int().min(2).max(6),
  })
  .refine(({ choice, choices }) => choice < choices, { path: ['choice'], message: 'was not offered' });

/** From where a cast went out. */
const castFrom = {
  stand: z.int().min(1).max(12).optional(),
  angle: z.enum(CAST_ANGLES).optional(),
};

export const eventBodySchema = z.discriminatedUnion('kind', [
  z
    .strictObject({
      kind: z.literal('attempt'),
      skillId: libraryIdSchema,
      drillId: libraryIdSchema.nullable(),
      good: z.boolean(),
      faultId: libraryIdSchema.nullable(),
      evidence: z.enum(EVIDENCE_KINDS).optional(),
      home: z.boolean().optional(),
      asked: askedSchema.optional(),
      corrects: idSchema.optional(),
    })
    .refine((body) => !(body.good && body.faultId), {
      path: ['faultId'],
      message: 'a good attempt has no fault',
    })
    .refine((body) => !body.asked || body.evidence === 'answer', {
      path: ['asked'],
      message: 'belongs to an answer',
    }),
  z.strictObject({
    kind: z.literal('fish'),
    species: lineSchema(40),
    lengthCm: z.number().min(1).max(200).nullable(),
    outcome: z.enum(['to-hand', 'lost']),
    fly: lineSchema(40).optional(),
    outOfWaterS: z.int().min(0).max(600).optional(),
    ...castFrom,
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
      ...castFrom,
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
      .min(MIN_TAPS)
      .max(200)
      .refine((taps) => taps.every((at, i) => i === 0 || at > (taps[i - 1] as number)), 'must rise'),
  }),
  z.strictObject({ kind: z.literal('tangle'), seconds: z.int().min(0).max(7200).nullable() }),
  z.strictObject({
    kind: z.literal('note'),
    text: textSchema(1000).refine((text) => text.length > 0, 'must not be empty'),
    aboutId: idSchema.nullable().default(null),
  }),
  z.strictObject({ kind: z.literal('sentence'), text: textSchema(MAX_SENTENCE) }),
  z.strictObject({
    kind: z.literal('replan'),
    why: z.enum(REPLAN_REASONS),
    fromMin: z.int().min(0).max(1440),
    blocks: z.array(blockSchema).max(60),
  }),
  z.strictObject({ kind: z.literal('undo'), targetId: idSchema }),
]);

/** The latest instant a device clock may claim: the year 2100. */
const LATEST_MS = 4_102_444_800_000;

/** An event as it is read: skills, drills and faults it names may be gone from the library. */
export const eventSchema = z.strictObject({
  id: idSchema,
  lessonId: idSchema,
  studentId: idSchema.nullable(),
  blockId: idSchema.nullable(),
  deviceId: idSchema,
  atMs: z.int().min(0).max(LATEST_MS),
  /** How far the device's clock was ahead of the server's, behind when negative; left out when they agreed. */
  clockAheadMs: z.int().optional(),
  body: eventBodySchema,
}) satisfies z.ZodType<BankEvent>;

/** Reads an event that is to be stored. */
export function readNewEvent(value: unknown): { event: BankEvent } | { issues: Issue[] } {
  const halves = halfCharacters(value);
  if (halves.length > 0) return { issues: halves };
  const result = eventSchema.safeParse(value);
  return result.success ? { event: result.data } : { issues: toIssues(result.error) };
}

/**
 * What an event names that the curriculum never had.
 *
 * @param curriculum as the plan of its lesson reads it
 */
export function unknownIn(curriculum: Curriculum, { body }: Pick<BankEvent, 'body'>): Issue[] {
  if (body.kind !== 'attempt') return [];
  const { skills, drills, faults } = curriculum;
  const named: [string, string | null, (id: string) => unknown, string][] = [
    ['body.skillId', body.skillId, skills.find, 'is no skill of the graph'],
    ['body.drillId', body.drillId, drills.find, 'is no drill of the library'],
    ['body.faultId', body.faultId, faults.find, 'is no known fault'],
  ];
  return named.flatMap(([path, id, find, message]): Issue[] =>
    id === null || find(id) ? [] : [{ path, code: 'gone', message }],
  );
}

export const MAX_EVENTS = 500;
/** Longest request that brings events, bytes. */
export const MAX_EVENTS_BYTES = 4_000_000;

/** Events on their way in. Each is judged alone, so one that is wrong does not make the request wrong. */
export const eventBatchSchema = z.strictObject({
  events: z.array(z.unknown()).min(1).max(MAX_EVENTS),
  /** The device's clock when it sent them, to be held against the server's. */
  sentAtMs: z.int().min(0).optional(),
});
/** The same with the shape of each event told, for the description of the API. */
export const describedEventBatchSchema = eventBatchSchema.extend({
  events: z
    .array(eventSchema.omit({ clockAheadMs: true }))
    .min(1)
    .max(MAX_EVENTS),
});

export const EVENT_REFUSALS = [
  'invalid',
  'no-lesson',
  'no-student',
  'no-consent',
  'id-taken',
  'no-target',
] as const;
export const refusedEventSchema = z.strictObject({
  /** As it was sent; empty when it had none. */
  id: z.string(),
  /** Which of the request it was. */
  index: z.int(),
  code: z.enum(EVENT_REFUSALS),
  message: z.string(),
  issues: z.array(issueSchema),
});
/** What became of each event, by its id as it was sent. */
export const eventReceiptSchema = z.strictObject({
  stored: z.array(z.string()),
  known: z.array(z.string()),
  refused: z.array(refusedEventSchema),
  /** How far the device's clock is ahead of the server's. */
  clockAheadMs: z.int(),
});
export type EventReceipt = z.infer<typeof eventReceiptSchema>;

export const eventQuerySchema = z
  .strictObject({ studentId: idSchema.optional(), lessonId: idSchema.optional() })
  .refine(
    ({ studentId, lessonId }) => (studentId === undefined) !== (lessonId === undefined),
    'needs studentId or lessonId',
  );

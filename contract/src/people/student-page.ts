import { STRANDS } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, instantSchema, libraryIdSchema, lineSchema } from '../common';
import { eventBodySchema } from '../lesson/event';
import { letterTokenSchema } from './session';

/** For how long a student's page may be opened, days. */
export const PAGE_DAYS = [30, 120, 365] as const;

/** A link to the page of a student, as the instructor sees it. */
export const studentLinkSchema = z.strictObject({
  id: idSchema,
  at: instantSchema,
  until: instantSchema,
  closed: z.boolean(),
  views: z.int(),
  viewedAt: instantSchema.nullable(),
  /** By which name the guardian of a minor opened it. */
  openedBy: z.string().nullable(),
});
export type StudentLink = z.infer<typeof studentLinkSchema>;

export const newStudentLinkSchema = z.strictObject({
  id: idSchema,
  /** The lesson whose card leads there. */
  lessonId: idSchema,
  days: z.union(PAGE_DAYS.map((days) => z.literal(days))),
});

const drillSchema = z.strictObject({
  id: libraryIdSchema,
  skillId: libraryIdSchema,
  name: z.string(),
  cue: z.string(),
  minutes: z.number(),
  how: z.array(z.string()),
  success: z.strictObject({ good: z.number(), of: z.number(), at: z.string() }),
});

/** What a student reads and does by himself. It names nobody but him and who teaches him. */
export const studentPageSchema = z.strictObject({
  firstName: z.string(),
  hand: z.enum(['right', 'left']),
  instructor: z.string(),
  units: z.enum(['metric', 'imperial']),
  lessonOn: dateSchema,
  well: z
    .strictObject({
      skillId: libraryIdSchema,
      skillName: z.string(),
      tries: z.array(z.boolean()),
      before: z.strictObject({ good: z.int(), of: z.int(), on: dateSchema }).nullable(),
    })
    .nullable(),
  streams: z.array(
    z.strictObject({
      strand: z.enum(STRANDS),
      has: z.int(),
      learning: z.int(),
      of: z.int(),
      hasName: z.string().nullable(),
      nextName: z.string().nullable(),
    }),
  ),
  one: z.strictObject({
    /** Of the skill it is about; null when nothing went wrong often enough. */
    strand: z.enum(STRANDS).nullable(),
    fault: z.strictObject({ short: z.string(), sign: z.string(), cure: z.string() }).nullable(),
    /** What the instructor says. */
    sentence: z.string().nullable(),
    drill: drillSchema.nullable(),
  }),
  /** Of this length of line, metres: how long to wait and to move, and which waiting fits, seconds. */
  beat: z.strictObject({
    lineM: z.number(),
    pauseS: z.number(),
    strokeS: z.number(),
    fromS: z.number(),
    toS: z.number(),
    /** Whether the length is a typical one, since none was said. */
    typical: z.boolean(),
  }),
  /** Which of what can be done alone says something of a skill that is taught. */
  tells: z.strictObject({ beat: z.boolean(), takes: z.boolean() }),
  questions: z.array(
    z.strictObject({
      id: libraryIdSchema,
      skillId: libraryIdSchema,
      skillName: z.string(),
      text: z.string(),
      choices: z.array(z.strictObject({ text: z.string(), right: z.boolean(), reason: z.string() })),
    }),
  ),
});
export type StudentPage = z.infer<typeof studentPageSchema>;

/** What a link shows: a minor's page asks for the guardian first. */
export const openedPageSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('guardian'), firstName: z.string(), instructor: z.string() }),
  z.strictObject({ kind: z.literal('page'), page: studentPageSchema }),
]);
export type OpenedPage = z.infer<typeof openedPageSchema>;

export const pageTokenSchema = z.strictObject({ token: letterTokenSchema });
export const pageGuardianSchema = pageTokenSchema.extend({ name: lineSchema(80) });

/** Most that comes back from a page at once. */
export const MAX_HOME_ENTRIES = 400;

const attemptBodySchema = eventBodySchema.options[0];
/** Something done at home, on its way back. */
export const homeEntrySchema = z
  .strictObject({
    id: idSchema,
    atMs: z.int().min(0).max(4_102_444_800_000),
    body: attemptBodySchema,
  })
  .refine(({ body }) => body.home === true, { path: ['body', 'home'], message: 'must be true' });
export type HomeEntry = z.infer<typeof homeEntrySchema>;
export const homeSendingSchema = pageTokenSchema.extend({
  entries: z.array(homeEntrySchema).min(1).max(MAX_HOME_ENTRIES),
});

/** What came back and waits for the instructor to look at it, by day and by what was done. */
export const homeWaitingSchema = z.strictObject({
  on: dateSchema,
  skillId: libraryIdSchema,
  evidence: z.string(),
  good: z.int(),
  of: z.int(),
  ids: z.array(idSchema),
});
export type HomeWaiting = z.infer<typeof homeWaitingSchema>;
export const homeJudgementSchema = z.strictObject({
  ids: z.array(idSchema).min(1).max(2000),
  /** Whether it counts; what does not goes. */
  counts: z.boolean(),
});

import * as z from 'zod';
import { dateSchema, idSchema, instantSchema, lineSchema } from '../common';
import { emailSchema, letterTokenSchema } from './session';
import { keepingRuleSchema } from './keeping';

/** What a guardian answered by a link, and what became of it. */
export const CONSENT_STATES = [
  /** The link is on its way, or nobody has answered. */
  'asked',
  /** Yes, by another name than the one that was written down: it counts when the instructor says who that is. */
  'look',
  'given',
  'refused',
  'taken-back',
  /** Nobody answered in time. */
  'over',
] as const;
export type ConsentState = (typeof CONSENT_STATES)[number];

/** One question to a guardian, as the instructor sees it. */
export const askedConsentSchema = z.strictObject({
  id: idSchema,
  state: z.enum(CONSENT_STATES),
  /** Where the letter went; null when the link was handed over. */
  email: z.string().nullable(),
  askedAt: instantSchema,
  untilAt: instantSchema,
  byName: z.string().nullable(),
  answeredAt: instantSchema.nullable(),
  takenBackAt: instantSchema.nullable(),
});
export type AskedConsent = z.infer<typeof askedConsentSchema>;

export const askConsentSchema = z.strictObject({
  id: idSchema,
  guardianName: lineSchema(80),
  /** Where a letter goes; null for a link that is handed over. */
  email: emailSchema.nullable(),
});

/** How it stands with the consent of one of the instructor's students; told of those of whom something waits or changed. */
export const consentNewsSchema = z.strictObject({
  studentId: idSchema,
  state: z.enum(CONSENT_STATES),
  byName: z.string().nullable(),
  at: instantSchema,
});
export type ConsentNews = z.infer<typeof consentNewsSchema>;

/** What the guardian's device brings: the token of the link, and the key it made for itself before it answered. */
export const consentTokenSchema = z.strictObject({
  token: letterTokenSchema,
  key: letterTokenSchema.nullable(),
});
export const consentAnswerSchema = z.strictObject({
  token: letterTokenSchema,
  key: letterTokenSchema,
  given: z.boolean(),
  name: lineSchema(80),
});
export const consentRemovalSchema = consentTokenSchema.extend({ studentName: lineSchema(80) });

/** What the guardian reads. */
export const consentPageSchema = z.strictObject({
  state: z.enum(CONSENT_STATES),
  /** The whole name for whoever answered, else the first one. */
  studentName: z.string(),
  instructor: z.string(),
  /** Who else sees the record now; none for a device that did not answer what was answered. */
  seenBy: z.array(z.string()),
  /** Null where nobody has set how long. */
  keptFor: keepingRuleSchema.nullable(),
  /** Whether this device gave the answer. */
  mine: z.boolean(),
  byName: z.string().nullable(),
  answeredAt: instantSchema.nullable(),
  takenBackAt: instantSchema.nullable(),
  /** What there is of the student, for whoever may take it along. */
  has: z.strictObject({ entries: z.int(), readings: z.int(), since: dateSchema.nullable() }).nullable(),
});
export type ConsentPage = z.infer<typeof consentPageSchema>;

import { EVIDENCE_KINDS } from '@doceo/core';
import * as z from 'zod';
import { dateSchema, libraryIdSchema } from '../common';
import { homeTrustSchema } from '../people/skill-fit';
import { attemptSchema, momentSchema } from './parts';

const idSchema = z.string().min(1).max(80);

/** Commands about students: how far what they did at home is believed, and what of them is due to go. */
export const peopleCommands = {
  'home-evidence': {
    summary:
      'How much each kind of evidence says of a skill, with the share that is left at home learned from records that have both.',
    input: z.strictObject({
      students: z
        .array(
          z.strictObject({
            id: idSchema,
            attempts: z.array(attemptSchema.extend({ skillId: libraryIdSchema })).max(10_000),
          }),
        )
        .max(5000),
    }),
    output: z.strictObject({
      home: homeTrustSchema,
      kinds: z.array(
        z.strictObject({ evidence: z.enum(EVIDENCE_KINDS), home: z.boolean(), trust: z.number() }),
      ),
    }),
  },
  'retention-due': {
    summary: 'What of which student is due to go by a rule, or comes next, by day.',
    input: z.strictObject({
      students: z
        .array(
          z.strictObject({
            ...{ id: idSchema, addedOn: dateSchema },
            lastLessonOn: dateSchema.nullable().default(null),
          }),
        )
        .max(10_000),
      events: z.array(z.strictObject({ studentId: idSchema, atMs: momentSchema })).max(200_000),
      rule: z.strictObject({
        entryMonths: z.int().min(1).max(600),
        studentMonths: z.int().min(1).max(600),
      }),
      today: dateSchema,
    }),
    output: z.strictObject({
      due: z.array(
        z.strictObject({
          ...{ studentId: z.string(), what: z.enum(['entries', 'student']) },
          ...{ on: z.string(), due: z.boolean(), entries: z.int() },
        }),
      ),
    }),
  },
} as const;

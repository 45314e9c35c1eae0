import {
  type Choice,
  type Drill,
  type Fault,
  FAULT_WEIGHTS,
  GEAR_FOR,
  GROUND_KINDS,
  MAX_GROUP,
  NEEDS,
  type Question,
  SHOWN_BY,
  type Skill,
  STRANDS,
  SUPERVISIONS,
} from '@doceo/core';
import * as z from 'zod';
import { libraryIdSchema, lineSchema, textSchema } from '../common';

/** Shares of a drill's skills may miss a whole by so much, being rounded. */
const SHARE_TOLERANCE = 0.02;

const distinct = (what: string) => (list: readonly unknown[]) =>
  new Set(list).size === list.length ? undefined : `names a ${what} twice`;

/** A list of ids, each once. */
function idsSchema(what: string, max: number): z.ZodType<string[]> {
  return z
    .array(libraryIdSchema)
    .max(max)
    .superRefine((list, context) => {
      const message = distinct(what)(list);
      if (message) context.addIssue({ code: 'custom', path: [], message });
    });
}

export const skillSchema = z
  .strictObject({
    id: libraryIdSchema,
    strand: z.enum(STRANDS),
    name: lineSchema(60),
    sentence: textSchema(200),
    good: textSchema(200),
    needs: idsSchema('skill', 12),
    faults: idsSchema('fault', 20),
    shownBy: z.array(z.enum(SHOWN_BY)).max(SHOWN_BY.length),
    forgetDays: z.number().min(1).max(3650),
  })
  .refine(({ id, needs }) => !needs.includes(id), {
    path: ['needs'],
    message: 'names the skill itself',
  }) satisfies z.ZodType<Skill>;

export const faultSchema = z.strictObject({
  id: libraryIdSchema,
  short: lineSchema(40),
  sign: textSchema(200),
  cause: textSchema(200),
  cure: textSchema(200),
  weight: z.literal(FAULT_WEIGHTS),
}) satisfies z.ZodType<Fault>;

const adaptationSchema = z.strictObject({
  need: z.enum(NEEDS),
  insteadId: libraryIdSchema.optional(),
  line: z.number().gt(0).max(1).optional(),
  minutes: z.number().gt(0).max(2).optional(),
  stand: lineSchema(80).optional(),
  words: textSchema(200),
});

const minutesSchema = z.strictObject({
  min: z.number().min(1).max(240),
  likely: z.number().min(1).max(240),
  max: z.number().min(1).max(240),
});

export const drillSchema = z
  .strictObject({
    id: libraryIdSchema,
    name: lineSchema(60),
    strand: z.enum(STRANDS),
    trains: z
      .array(z.strictObject({ skillId: libraryIdSchema, share: z.number().gt(0).max(1) }))
      .min(1, 'trains nothing')
      .max(6),
    minutes: minutesSchema,
    ground: z.enum(GROUND_KINDS),
    dryLand: textSchema(200),
    group: z.strictObject({
      min: z.int().min(1).max(MAX_GROUP),
      max: z.int().min(1).max(MAX_GROUP),
    }),
    supervision: z.enum(SUPERVISIONS),
    gear: z.array(z.strictObject({ item: lineSchema(60), per: z.enum(GEAR_FOR) })).max(20),
    cue: textSchema(80),
    how: z.array(lineSchema(300)).max(12),
    success: z.strictObject({
      good: z.int().min(1).max(50),
      of: z.int().min(1).max(50),
      at: textSchema(120),
    }),
    watchFor: idsSchema('fault', 12),
    lineOutM: z.number().min(0).max(30),
    attemptsPerMin: z.number().gt(0).max(30),
    adaptations: z.array(adaptationSchema).max(NEEDS.length),
  })
  .superRefine((drill, context) => {
    const wrong = (path: PropertyKey[], message: string): void =>
      context.addIssue({ code: 'custom', path, message });
    const { minutes, group, success, trains, adaptations } = drill;
    if (minutes.min > minutes.likely) wrong(['minutes', 'min'], 'is more than the likely minutes');
    if (minutes.likely > minutes.max) wrong(['minutes', 'max'], 'is less than the likely minutes');
    if (group.min > group.max) wrong(['group', 'min'], 'is more than the largest group');
    if (success.good > success.of) wrong(['success', 'good'], 'is more than there are attempts');
    const twice = distinct('skill')(trains.map(({ skillId }) => skillId));
    if (twice) wrong(['trains'], twice);
    const sum = trains.reduce((total, { share }) => total + share, 0);
    if (trains.length > 0 && Math.abs(sum - 1) > SHARE_TOLERANCE)
      wrong(['trains'], 'has shares that do not add up to 1');
    const needs = distinct('need')(adaptations.map(({ need }) => need));
    if (needs) wrong(['adaptations'], needs);
  }) satisfies z.ZodType<Drill>;

const choiceSchema = z.strictObject({
  text: lineSchema(160),
  right: z.boolean(),
  reason: textSchema(300),
}) satisfies z.ZodType<Choice>;

export const questionSchema = z
  .strictObject({
    id: libraryIdSchema,
    skillId: libraryIdSchema,
    text: lineSchema(240),
    choices: z.array(choiceSchema).min(2, 'offers no choice').max(6),
  })
  .superRefine(({ choices }, context) => {
    const right = choices.flatMap((choice, i) => (choice.right ? [i] : []));
    if (right.length === 0)
      context.addIssue({ code: 'custom', path: ['choices'], message: 'has no right answer' });
    for (const i of right.slice(1))
      context.addIssue({
        code: 'custom',
        path: ['choices', i, 'right'],
        message: 'is a second right answer',
      });
    const twice = distinct('choice')(choices.map(({ text }) => text.toLowerCase()));
    if (twice) context.addIssue({ code: 'custom', path: ['choices'], message: twice });
  }) satisfies z.ZodType<Question>;

/** Copies of what a plan uses. */
export const carriedSchema = z.strictObject({
  skills: z.array(skillSchema).max(200),
  faults: z.array(faultSchema).max(300),
  drills: z.array(drillSchema).max(60),
});

import {
  MAX_GROUP,
  ALONE,
  DAY_PARTS,
  GROUND_KINDS,
  HARD_RULES,
  NO_HOURS,
  REPLAN_REASONS,
  SCORE_PARTS,
  SPLITS,
} from '@doceo/core';
import * as z from 'zod';
import { dateSchema, libraryIdSchema, lineSchema } from '../common';
import { blockSchema, planBodySchema, staffSchema } from '../lesson/plan';
import { conditionHourSchema, conditionReadingSchema } from '../water/conditions';
import { waterSchema } from '../water/water';
import { laidOver, lessonInputSchema, measuredDrillSchema, momentSchema } from './parts';

const minuteSchema = z.int().min(0).max(1440);

/** What a plan is to be made of: its length and what it has, who comes and who teaches, what is wanted and forbidden. */
const taskSchema = z.strictObject({
  ...laidOver,
  plan: planBodySchema,
  lesson: lessonInputSchema,
  staff: staffSchema.default(ALONE),
  lockedIds: z.array(z.string().max(60)).max(60).default([]),
  drillIds: z.array(libraryIdSchema).max(4000).nullable().default(null),
  absentIds: z.array(z.string().max(60)).max(8).default([]),
  groups: z
    .array(z.array(z.string().max(60)).min(1).max(8))
    .max(8)
    .default([]),
  goals: z.record(libraryIdSchema, z.number().min(0).max(100)).default({}),
  closed: z
    .array(
      z.strictObject({
        fromMin: minuteSchema,
        toMin: minuteSchema,
        grounds: z.array(z.enum(GROUND_KINDS)).min(1).max(GROUND_KINDS.length),
      }),
    )
    .max(50)
    .default([]),
  stock: z.record(lineSchema(80), z.int().min(0).max(1000)).default({}),
  weights: z.partialRecord(z.enum(SCORE_PARTS), z.number().min(0).max(10)).default({}),
});

const scoreSchema = z.strictObject({
  total: z.number(),
  parts: z.record(z.enum(SCORE_PARTS), z.number()),
  /** The mean over the students: skills gained, minutes without anything to do, changes of place. */
  figures: z.strictObject({ gainSkills: z.number(), idleMin: z.number(), walks: z.number() }),
});
const lanesSchema = z.array(z.int());

const daySchema = z.strictObject({ ...laidOver, plan: planBodySchema, lesson: lessonInputSchema });

const stretchSchema = z.strictObject({ fromMs: momentSchema, toMs: momentSchema });

const wishSchema = z.discriminatedUnion('wish', [
  z.strictObject({ wish: z.enum(['locked', 'kept']), blockId: z.string(), title: z.string() }),
  z.strictObject({ wish: z.literal('length'), lengthMin: z.number() }),
  z.strictObject({ wish: z.enum(['closed', 'stock']) }),
  z.strictObject({ wish: z.literal('staff'), instructors: z.number(), assistants: z.number() }),
]);
/** Why there is no plan: the fewest wishes that cannot stand together, or what is missing at all. */
const whyNotSchema = z.discriminatedUnion('why', [
  z.strictObject({ why: z.enum(['no-students', 'no-drill']) }),
  z.strictObject({
    why: z.literal('wishes'),
    wishes: z.array(wishSchema),
    rules: z.array(z.enum(HARD_RULES)),
  }),
]);

/** Commands about the plan that the machine makes. */
export const scheduleCommands = {
  schedule: {
    summary:
      'The plan for a group, a water and a day: what is done when by whom, what it is worth and why. Null where none is allowed, with what cannot stand together.',
    input: taskSchema.extend({
      seed: z.string().max(100).default('schedule'),
      /** How long it may look, on a usual machine; the same on every machine gives the same plan. */
      milliseconds: z.int().min(0).max(30_000).default(1000),
    }),
    output: z.strictObject({
      plan: planBodySchema.nullable(),
      score: scoreSchema.nullable(),
      exact: z.boolean(),
      whyNot: whyNotSchema.nullable(),
      reasons: z.array(
        z.strictObject({
          drillId: z.string(),
          blockIds: z.array(z.string()),
          startMin: z.number(),
          lanes: lanesSchema,
          gains: z.array(z.number()),
          worth: z.number(),
          after: z.array(z.string()),
          opens: z.array(z.string()),
          watches: z.array(
            z.strictObject({ faultId: z.string(), lane: z.int(), count: z.int(), exposed: z.int() }),
          ),
          worked: measuredDrillSchema.nullable(),
          beats: z.strictObject({ drillId: z.string(), byPoints: z.number() }).nullable(),
          rivals: z.array(
            z.strictObject({
              drillId: z.string(),
              byPoints: z.number(),
              breaks: z.enum(HARD_RULES).nullable(),
            }),
          ),
        }),
      ),
      /** Drills of the plan that was given that are in none of these blocks any more, and what came of putting them back. */
      gone: z.array(
        z.strictObject({
          blockIds: z.array(z.string()),
          breaks: z.enum(HARD_RULES).nullable(),
          needs: z.array(z.string()),
          byPoints: z.number(),
        }),
      ),
    }),
  },
  'schedule-score': {
    summary: 'What plans of a task are worth, and which of what must be kept they break.',
    input: taskSchema.extend({ plans: z.array(z.array(blockSchema).max(200)).max(10_000) }),
    output: z.strictObject({
      plans: z.array(
        z.strictObject({
          score: scoreSchema,
          breaks: z.array(
            z.strictObject({
              rule: z.enum(HARD_RULES),
              atMin: z.number(),
              drillId: z.string().nullable(),
              lane: z.int().nullable(),
            }),
          ),
        }),
      ),
    }),
  },
  replan: {
    summary:
      'The rest of a lesson planned anew: late, in thunder or wind, when a river rises, when somebody is missing.',
    input: daySchema.extend({
      why: z.enum(REPLAN_REASONS),
      nowMin: minuteSchema,
      /** Where the group is: what begins then in the plan is on. */
      placeMin: minuteSchema,
      stayMin: minuteSchema.optional(),
      studentIds: z.array(z.string().max(60)).max(8).default([]),
      dropIds: z.array(libraryIdSchema).max(60).default([]),
      seed: z.string().max(100).default('replan'),
      milliseconds: z.int().min(0).max(30_000).default(300),
    }),
    output: z.strictObject({
      plan: planBodySchema.nullable(),
      costs: z.array(
        z.strictObject({
          drillId: z.string(),
          lanes: lanesSchema,
          dropped: z.boolean(),
          fewerTries: z.number(),
          ofTries: z.number(),
        }),
      ),
      whyNot: whyNotSchema.nullable(),
    }),
  },
  overrun: {
    summary:
      'When a plan ends if each block takes as long as it takes: soonest, likely, latest, chance of late.',
    input: z.strictObject({
      ...laidOver,
      plan: planBodySchema,
      runs: z.int().min(1).max(100_000).default(4000),
      seed: z.string().max(100).default('overrun'),
    }),
    output: z.strictObject({
      ends: z
        .strictObject({
          soonestMin: z.number(),
          likelyMin: z.number(),
          latestMin: z.number(),
          late: z.number(),
        })
        .nullable(),
    }),
  },
  'group-split': {
    summary: 'Groups of a class: those alike together, or each with its share of the strong.',
    input: z.strictObject({
      ...laidOver,
      lesson: lessonInputSchema,
      groups: z.int().min(1).max(8),
      by: z.enum(SPLITS).default('readiness'),
      leftTogether: z.boolean().default(true),
      goals: z.record(libraryIdSchema, z.number().min(0).max(100)).default({}),
    }),
    output: z.strictObject({
      groups: z.array(z.array(z.strictObject({ id: z.string(), name: z.string(), ready: z.number() }))),
    }),
  },
  'day-rank': {
    summary:
      'Days at waters for a plan and its students, the best first: the hours of each by light, weather and what the check finds then.',
    input: z.strictObject({
      ...laidOver,
      plan: planBodySchema,
      students: lessonInputSchema.shape.students,
      waters: z.array(z.strictObject({ id: lineSchema(60), water: waterSchema })).max(20),
      days: z
        .array(
          z.strictObject({
            waterId: lineSchema(60),
            date: dateSchema,
            open: stretchSchema,
            hours: z.array(conditionHourSchema).max(30),
            source: lineSchema(200).nullable().default(null),
            simulated: z.boolean().default(false),
            readings: z.array(conditionReadingSchema).max(500).default([]),
          }),
        )
        .max(300),
      busy: z.array(stretchSchema).max(300).default([]),
    }),
    output: z.strictObject({
      days: z.array(
        z.strictObject({
          waterId: z.string(),
          date: z.string(),
          hours: z.strictObject({ fromMs: z.number(), toMs: z.number() }).nullable(),
          why: z.enum(NO_HOURS).nullable(),
          score: z.number(),
          parts: z.record(z.enum(DAY_PARTS), z.number()).nullable(),
          reasons: z.array(z.string()),
          mustFix: z.int(),
          check: z.int(),
        }),
      ),
    }),
  },
  course: {
    summary:
      'Several lessons to goals by a date: a plan for each of what students will be able to do by then, and the chance of each goal with how it grows.',
    input: z.strictObject({
      ...laidOver,
      students: lessonInputSchema.shape.students,
      goals: z.array(libraryIdSchema).min(1).max(20),
      nowMs: momentSchema,
      untilMs: momentSchema,
      /** When its lessons that are over ended, in the order of time. */
      overMs: z.array(momentSchema).max(100).default([]),
      lessons: z
        .array(
          z.strictObject({
            plan: planBodySchema,
            startMs: momentSchema,
            date: dateSchema,
            water: waterSchema,
            /** Who comes, in the order of the plan's lanes; all where it is not said. */
            studentIds: z.array(z.string().max(100)).max(MAX_GROUP).optional(),
          }),
        )
        .max(20),
      seed: z.string().max(100).default('course'),
      /** How long it may look at each lesson, on a usual machine. */
      milliseconds: z.int().min(0).max(5000).default(200),
    }),
    output: z.strictObject({
      plans: z.array(planBodySchema.nullable()),
      goals: z.array(
        z.strictObject({
          studentId: z.string(),
          skillId: z.string(),
          now: z.number(),
          chance: z.number(),
          past: z.array(z.number()),
          course: z.array(
            z.strictObject({ atMs: z.number(), mean: z.number(), low: z.number(), high: z.number() }),
          ),
          enoughAt: z.int().nullable(),
          wanting: z.strictObject({ lesson: z.int(), attempts: z.int() }).nullable(),
        }),
      ),
    }),
  },
} as const;

import {
  CURRICULUM_FAULTS,
  ENTRY_KINDS,
  GROUND_KINDS,
  MIN_TAPS,
  LINE_KINDS,
  NEEDS,
  TEMPLATE_IDS,
} from '@doceo/core';
import * as z from 'zod';
import { libraryIdSchema, lineSchema } from '../common';
import { layerSchema } from '../curriculum/layer';
import { planBodySchema } from '../lesson/plan';
import { flySchema, measuredSchema, rigSchema, templateParametersSchema } from '../rig/rig';
import { castCommands } from './compute-cast';
import { scheduleCommands } from './compute-schedule';
import { peopleCommands } from './compute-people';
import { shareCommands } from './compute-share';
import { attemptSchema, laidOver, lessonInputSchema, momentSchema } from './parts';
import { driftCommands } from './compute-drift';
import { strikeCommands } from './compute-strike';
import { waterCommands } from './compute-water';
import { skillFitSchema, tracingParametersSchema } from '../people/skill-fit';
import { waterSchema } from '../water/water';

const evidenceSchema = z.array(z.strictObject({ label: z.string(), text: z.string() }));
const problemSchema = z.looseObject({
  id: z.string(),
  rule: z.string(),
  level: z.enum(['must-fix', 'check', 'tip']),
  title: z.string(),
  reason: z.string(),
  evidence: evidenceSchema,
});
const unitsSchema = z.enum(['metric', 'imperial']).default('metric');
const estimateSchema = z.strictObject({
  mastery: z.number(),
  low: z.number(),
  high: z.number(),
  nextGood: z.number(),
  learn: z.number(),
  attempts: z.int(),
  goods: z.int(),
  lastAtMs: z.number().nullable(),
});

/** Input and output of every computation that is also a command. */
export const commands = {
  'rig-figures': {
    summary:
      'Figures and problems of a rig: leader length, indicator distance, weakest link, line left at the net, hooks.',
    input: z.strictObject({
      rig: rigSchema,
      water: waterSchema.nullable().default(null),
      units: unitsSchema,
    }),
    output: z.strictObject({
      figures: z.array(
        z.looseObject({
          id: z.string(),
          value: z.number(),
          unit: z.string(),
          limit: z.number().nullable(),
          text: z.string(),
          rule: z.string(),
          certainty: z.string(),
        }),
      ),
      problems: z.array(problemSchema),
    }),
  },
  'rig-template': {
    summary:
      'A rig from one of the templates; parameters that are left out take the template’s own defaults.',
    input: z.strictObject({
      template: z.enum(TEMPLATE_IDS),
      parameters: templateParametersSchema.partial().default({}),
    }),
    output: z.strictObject({ rig: rigSchema }),
  },
  'float-margin': {
    summary: 'Whether the dry fly or the indicator of a rig carries what hangs below it.',
    input: z.strictObject({
      rig: rigSchema,
      floatant: z.boolean().default(true),
      fishedMin: z.number().min(0).max(1440).default(0),
    }),
    output: z.strictObject({
      float: z
        .strictObject({
          floatId: z.string(),
          floatName: z.string(),
          kind: z.enum(['dry', 'indicator']),
          liftN: z.number(),
          ownN: z.number(),
          loadN: z.number(),
          margin: z.number().nullable(),
          measured: measuredSchema.nullable(),
          parts: z.array(z.strictObject({ name: z.string(), submergedN: z.number() })),
        })
        .nullable(),
    }),
  },
  'fly-mass': {
    summary: 'Mass of a fly from hook wire, bead and dressing, and its weight under water.',
    input: z.strictObject({ fly: flySchema }),
    output: z.strictObject({
      hookKg: z.number(),
      beadKg: z.number(),
      dressingKg: z.number(),
      totalKg: z.number(),
      submergedN: z.number(),
      measured: measuredSchema.nullable(),
    }),
  },
  'free-sink': {
    summary: 'Speed at which a fly sinks on a slack line, and seconds to a depth; null for what floats.',
    input: z.strictObject({ fly: flySchema, depthM: z.number().min(0).max(100) }),
    output: z.strictObject({ terminalMs: z.number(), seconds: z.number().nullable() }),
  },
  countdown: {
    summary: 'Seconds to count until a line has sunk to a depth, for one kind of line or for all that sink.',
    input: z.strictObject({
      depthM: z.number().min(0).max(100),
      line: z.enum(LINE_KINDS).nullable().default(null),
    }),
    output: z.strictObject({
      lines: z.array(
        z.strictObject({
          line: z.enum(LINE_KINDS),
          seconds: z.number(),
          fromSeconds: z.number(),
          toSeconds: z.number(),
          measured: measuredSchema.nullable(),
        }),
      ),
    }),
  },
  taper: {
    summary: 'Bending stiffness and diameter from section to section, with hinges, meant or by mistake.',
    input: z.strictObject({ rig: rigSchema }),
    output: z.strictObject({
      steps: z.array(
        z.strictObject({
          sectionId: z.string(),
          aboveFlyM: z.number(),
          stiffnessRatio: z.number(),
          diameterStepM: z.number(),
          hinge: z.enum(['none', 'meant', 'mistake']),
        }),
      ),
      profile: z.array(
        z.strictObject({ aboveFlyM: z.number(), diameterM: z.number(), stiffness: z.number() }),
      ),
      hinges: z.int(),
    }),
  },
  'class-kit': {
    summary:
      'What a class needs: metres of every material with knots, flies, shot, indicators, with spares by tangles.',
    input: z.strictObject({
      uses: z
        .array(
          z.strictObject({
            rig: rigSchema,
            name: lineSchema(80),
            students: z
              .array(
                z.strictObject({
                  name: lineSchema(80),
                  tanglesPerHour: z.number().min(0).max(60).nullable().default(null),
                }),
              )
              .max(40),
            hours: z.number().min(0).max(24),
          }),
        )
        .max(40),
      units: unitsSchema,
    }),
    output: z.strictObject({
      items: z.array(
        z.strictObject({
          group: z.string(),
          name: z.string(),
          unit: z.enum(['pieces', 'm']),
          count: z.number(),
          spares: z.number(),
        }),
      ),
    }),
  },
  'tap-tempo': {
    summary: 'Pauses back and forward, evenness, and what the line needs, from taps at each stop of the rod.',
    input: z.strictObject({
      tapsMs: z.array(z.number().min(0).max(600_000)).min(MIN_TAPS).max(200),
      lineM: z.number().min(1).max(30),
    }),
    output: z.strictObject({
      backS: z.number(),
      forwardS: z.number(),
      unevenness: z.number(),
      needed: z.strictObject({ fromS: z.number(), toS: z.number() }),
      verdict: z.enum(['hurried', 'fits', 'late']),
    }),
  },
  'skill-trace': {
    summary:
      'Probability of mastery of one skill, with its interval, from good and faulty attempts of any kind of evidence.',
    input: z.strictObject({ attempts: z.array(attemptSchema).max(100_000), nowMs: momentSchema }),
    output: estimateSchema,
  },
  'skill-fit': {
    summary: 'Parameters of knowledge tracing of one skill, fitted to the records of many students.',
    input: z.strictObject({ students: z.array(z.array(attemptSchema).max(10_000)).max(5000) }),
    output: skillFitSchema,
  },
  'what-next': {
    summary: 'Drills ranked by expected gain a minute for one student, with the reason of each.',
    input: z.strictObject({
      attempts: z.array(attemptSchema.extend({ skillId: libraryIdSchema })).max(100_000),
      nowMs: momentSchema,
      grounds: z.array(z.enum(GROUND_KINDS)).default(['grass']),
      minutes: z.number().min(1).max(600),
      ...laidOver,
    }),
    output: z.strictObject({
      advice: z.array(
        z.strictObject({
          drillId: z.string(),
          gain: z.number(),
          gainPerMin: z.number(),
          worth: z.number(),
          opens: z.array(z.string()),
          reason: z.string(),
        }),
      ),
    }),
  },
  'simulate-students': {
    summary: 'Attempts of simulated students whose true mastery is known, from a seed.',
    input: z.strictObject({
      ...laidOver,
      seed: lineSchema(80),
      students: z.int().min(1).max(2000),
      drillId: libraryIdSchema,
      attempts: z.int().min(1).max(500).default(20),
      sessions: z.int().min(1).max(20).default(1),
      /** How the skills are learned, by skill id, when all students learn alike; else drawn for each. */
      parameters: z.record(libraryIdSchema, tracingParametersSchema).default({}),
    }),
    output: z.strictObject({
      students: z.array(
        z.strictObject({
          key: z.string(),
          attempts: z.array(attemptSchema.extend({ skillId: z.string(), faultId: z.string().nullable() })),
          truth: z.array(
            z.strictObject({
              skillId: z.string(),
              mastered: z.boolean(),
              parameters: tracingParametersSchema,
            }),
          ),
        }),
      ),
    }),
  },
  'curriculum-check': {
    summary:
      'What a curriculum lacks: circles of needs, skills nobody can be seen in, drills that name what is not taught, words.',
    input: z.strictObject({ layer: layerSchema }),
    output: z.strictObject({
      version: z.string(),
      skills: z.int(),
      drills: z.int(),
      questions: z.int(),
      found: z.array(
        z.strictObject({
          fault: z.enum(CURRICULUM_FAULTS),
          kind: z.enum(ENTRY_KINDS),
          id: z.string(),
          of: z.string().nullable(),
        }),
      ),
    }),
  },
  adapt: {
    summary:
      'A drill bent to a student’s needs: line, minutes, stands, words or another drill, with the reasons.',
    input: z.strictObject({
      drillId: libraryIdSchema,
      needs: z.array(z.enum(NEEDS)).max(NEEDS.length),
      ...laidOver,
    }),
    output: z.strictObject({
      drillId: z.string(),
      instead: z.boolean(),
      lineOutM: z.number(),
      minutes: z.int(),
      stands: z.array(z.string()),
      words: z.array(z.string()),
      wadeM: z.number().nullable(),
      cueM: z.number().nullable(),
      reasons: z.array(
        z.strictObject({
          need: z.enum(NEEDS),
          from: z.enum(['drill', 'need']),
          words: z.string(),
        }),
      ),
    }),
  },
  'fault-rates': {
    summary: 'Rate of each fault per attempt with a 90 % interval and its trend, most frequent first.',
    input: z.strictObject({
      attempts: z
        .array(z.strictObject({ atMs: momentSchema, faultId: libraryIdSchema.nullable() }))
        .max(100_000),
    }),
    output: z.strictObject({
      attempts: z.int(),
      rates: z.array(
        z.strictObject({
          faultId: z.string(),
          count: z.int(),
          rate: z.number(),
          low: z.number(),
          high: z.number(),
          trend: z.enum(['falling', 'rising', 'unclear']),
        }),
      ),
    }),
  },
  'plan-check': {
    summary:
      'All problems of a plan, with reason, evidence and fixes; with a lesson also those of day, water and students.',
    input: z.strictObject({
      ...laidOver,
      plan: planBodySchema,
      lesson: lessonInputSchema.nullable().default(null),
    }),
    output: z.strictObject({ problems: z.array(problemSchema) }),
  },
  ...scheduleCommands,
  ...shareCommands,
  ...peopleCommands,
  ...waterCommands,
  ...castCommands,
  ...driftCommands,
  ...strikeCommands,
} as const;

export type CommandName = keyof typeof commands;

import {
  BEADS,
  DEFAULT_SCHOOLS,
  DRESSING_IDS,
  DROPPER_SCHOOLS,
  HEAVIEST_SCHOOLS,
  INDICATOR_SCHOOLS,
  INDICATOR_STYLES,
  KNOT_IDS,
  LINE_KINDS,
  MEASURED_KINDS,
  MATERIAL_IDS,
  type Rig,
  type TemplateParameters,
  SECTION_ROLES,
  SHOT_METALS,
  SHOT_SCHOOLS,
  TEMPLATE_IDS,
  WIRE_IDS,
} from '@doceo/core';
import * as z from 'zod';
import { dateSchema, idSchema, instantSchema, lineSchema, versionSchema } from '../common';
import { diameterSchema, hookSizeSchema } from './rig-parts';
import { upgradeRig } from './rig-upgrade';

/** Most measured values that travel with a rig. */
const MAX_MEASURED = 200;

const partIdSchema = lineSchema(40);

/** Which way of each disagreement about rigs is taken. */
export const rigSchoolsSchema = z.strictObject({
  indicator: z.enum(INDICATOR_SCHOOLS),
  shot: z.enum(SHOT_SCHOOLS),
  dropper: z.enum(DROPPER_SCHOOLS).default(DEFAULT_SCHOOLS.dropper),
  heaviest: z.enum(HEAVIEST_SCHOOLS).default(DEFAULT_SCHOOLS.heaviest),
});

const sectionSchema = z.strictObject({
  id: partIdSchema,
  name: lineSchema(40),
  role: z.enum(SECTION_ROLES),
  lengthM: z.number().min(0.02).max(12),
  diameterM: diameterSchema,
  material: z.enum(MATERIAL_IDS),
  joint: z.enum(KNOT_IDS),
});

const fittingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    id: partIdSchema,
    kind: z.literal('indicator'),
    style: z.enum(INDICATOR_STYLES),
    diameterM: z.number().min(0.004).max(0.05),
    aboveFlyM: z.number().min(0.02).max(15),
  }),
  z.strictObject({
    id: partIdSchema,
    kind: z.literal('shot'),
    massKg: z.number().min(0.00001).max(0.01),
    metal: z.enum(SHOT_METALS),
    aboveFlyM: z.number().min(0.02).max(15),
  }),
]);

export const flySchema = z.strictObject({
  id: partIdSchema,
  name: lineSchema(40),
  hookSize: hookSizeSchema,
  wire: z.enum(WIRE_IDS).default('standard'),
  dressing: z.enum(DRESSING_IDS).default('nymph'),
  bead: z.enum(BEADS),
  beadDiameterM: z.number().min(0).max(0.006),
  knot: z.enum(KNOT_IDS),
  at: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('point') }),
    z.strictObject({
      kind: z.literal('tag'),
      sectionId: partIdSchema,
      lengthM: z.number().min(0.02).max(1),
      diameterM: diameterSchema,
      material: z.enum(MATERIAL_IDS),
    }),
    z.strictObject({ kind: z.literal('inline'), sectionId: partIdSchema }),
  ]),
  barb: z.enum(['flat', 'barbed']).optional(),
});

/** A value that was measured and stands in for an estimate, as it travels with a rig. SI. */
export const measuredSchema = z.strictObject({
  kind: z.enum(MEASURED_KINDS),
  key: lineSchema(80),
  value: z.number().positive().max(1e12),
  readings: z.int().min(1).max(10_000),
  on: dateSchema,
});

const rigNowSchema = z
  .strictObject({
    template: z.enum(TEMPLATE_IDS),
    rod: z.strictObject({
      lengthM: z.number().min(1.5).max(5),
      tipGuideM: z.number().min(0.001).max(0.02).optional(),
    }),
    line: z.strictObject({
      weight: z.int().min(1).max(12),
      kind: z.enum(LINE_KINDS).default('floating'),
    }),
    waterDepthM: z.number().min(0.1).max(10),
    schools: rigSchoolsSchema,
    byHand: z.boolean().default(false),
    hingeAt: partIdSchema.nullable().default(null),
    sections: z.array(sectionSchema).min(1).max(20),
    fittings: z.array(fittingSchema).max(8),
    flies: z.array(flySchema).min(1).max(4),
    measured: z.array(measuredSchema).max(MAX_MEASURED).default([]),
  })
  .superRefine((rig, context) => {
    const points = rig.flies.filter((fly) => fly.at.kind === 'point').length;
    if (points !== 1)
      context.addIssue({
        code: 'custom',
        path: ['flies'],
        message: `needs exactly one fly at the point, has ${points}`,
      });
    const ids = new Set(rig.sections.map((section) => section.id));
    rig.flies.forEach((fly, index) => {
      if (fly.at.kind !== 'point' && !ids.has(fly.at.sectionId))
        context.addIssue({
          code: 'custom',
          path: ['flies', index, 'at', 'sectionId'],
          message: 'no such section',
        });
    });
    const leaderM = rig.sections.reduce((sum, section) => sum + section.lengthM, 0);
    rig.fittings.forEach((fitting, index) => {
      if (fitting.aboveFlyM > leaderM)
        context.addIssue({
          code: 'custom',
          path: ['fittings', index, 'aboveFlyM'],
          message: 'lies above the leader',
        });
    });
  }) satisfies z.ZodType<Rig>;

/** A rig. Lengths in metres, masses in kilograms. What older rigs do not have yet takes its usual value. */
export const rigSchema = z.preprocess(upgradeRig, rigNowSchema);

/** What drives a template. */
export const templateParametersSchema = z.strictObject({
  rodLengthM: z.number().min(1.5).max(5),
  lineWeight: z.int().min(1).max(12),
  waterDepthM: z.number().min(0.1).max(10),
  tippetX: z.int().min(0).max(8),
  flyCount: z.int().min(1).max(3),
  shotMassKg: z.number().min(0).max(0.01),
  hingeRatio: z.number().min(1).max(40),
  leaderLengthM: z.number().min(1.5).max(8),
  schools: rigSchoolsSchema,
}) satisfies z.ZodType<TemplateParameters>;

export const savedRigSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  rig: rigSchema,
  /** The student who ties it, so that his own knots count; never part of the rig itself. */
  studentId: idSchema.nullable(),
  version: versionSchema,
  updatedAt: instantSchema,
});
export type SavedRig = z.infer<typeof savedRigSchema>;
export const rigNameSchema = lineSchema(80);

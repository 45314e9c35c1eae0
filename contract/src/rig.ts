import { INDICATOR_SCHOOLS, KNOT_IDS, MATERIAL_IDS, type Rig, SHOT_SCHOOLS } from '@doceo/core';
import { z } from 'zod';
import { idSchema, instantSchema, lineSchema, versionSchema } from './common';

const partIdSchema = lineSchema(40);
const diameterSchema = z.number().min(0.00005).max(0.002);

const sectionSchema = z.strictObject({
  id: partIdSchema,
  name: lineSchema(40),
  role: z.enum(['butt', 'mid', 'tippet']),
  lengthM: z.number().min(0.02).max(12),
  diameterM: diameterSchema,
  material: z.enum(MATERIAL_IDS),
  joint: z.enum(KNOT_IDS),
});

const fittingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    id: partIdSchema,
    kind: z.literal('indicator'),
    style: z.enum(['fixed', 'slip-release', 'yarn']),
    diameterM: z.number().min(0.004).max(0.05),
    aboveFlyM: z.number().min(0.02).max(15),
  }),
  z.strictObject({
    id: partIdSchema,
    kind: z.literal('shot'),
    massKg: z.number().min(0.00001).max(0.01),
    metal: z.enum(['tin', 'lead']),
    aboveFlyM: z.number().min(0.02).max(15),
  }),
]);

const flySchema = z.strictObject({
  id: partIdSchema,
  name: lineSchema(40),
  hookSize: z.int().min(2).max(22).multipleOf(2),
  bead: z.enum(['none', 'brass', 'tungsten']),
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
  ]),
});

/** A rig. Lengths in metres, masses in kilograms. */
export const rigSchema = z
  .strictObject({
    template: z.literal('indicator-nymph'),
    rod: z.strictObject({ lengthM: z.number().min(1.5).max(5) }),
    line: z.strictObject({ weight: z.int().min(1).max(12) }),
    waterDepthM: z.number().min(0.1).max(10),
    schools: z.strictObject({ indicator: z.enum(INDICATOR_SCHOOLS), shot: z.enum(SHOT_SCHOOLS) }),
    sections: z.array(sectionSchema).min(1).max(20),
    fittings: z.array(fittingSchema).max(8),
    flies: z.array(flySchema).min(1).max(4),
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
      if (fly.at.kind === 'tag' && !ids.has(fly.at.sectionId))
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

export const savedRigSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  rig: rigSchema,
  version: versionSchema,
  updatedAt: instantSchema,
});
export type SavedRig = z.infer<typeof savedRigSchema>;
export const rigNameSchema = lineSchema(80);

import {
  allBlocks,
  type Block,
  BLOCK_KINDS,
  type Curriculum,
  curriculumOf,
  LEVELS,
  MAX_GROUP,
  PLACE_KINDS,
  PLAN_B_TRIGGERS,
  type PlanBody,
  WATER_KINDS,
} from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema, libraryIdSchema, lineSchema, textSchema, versionSchema } from '../common';
import { carriedSchema } from '../curriculum/entries';
import { driftSetupSchema } from './drift';
import type { Issue } from '../http/error';
import { rigNameSchema, rigSchema } from '../rig/rig';

export const blockSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(BLOCK_KINDS),
  title: lineSchema(80),
  drillId: libraryIdSchema.nullable(),
  startMin: z.int().min(0).max(1440),
  durationMin: z.int().min(5).max(480),
  lane: z
    .int()
    .min(0)
    .max(MAX_GROUP - 1)
    .nullable(),
  place: z.enum(PLACE_KINDS),
  rigId: idSchema.nullable(),
  cue: textSchema(160),
  watchFor: z.array(libraryIdSchema).max(12),
  note: textSchema(1000),
  drift: driftSetupSchema.optional(),
  locked: z.boolean().optional(),
  soonestMin: z.int().min(1).max(960).optional(),
  latestMin: z.int().min(1).max(960).optional(),
});

export const staffSchema = z.strictObject({
  instructors: z.int().min(0).max(8),
  assistants: z.int().min(0).max(8),
});

const planBSchema = z.strictObject({
  trigger: z.enum(PLAN_B_TRIGGERS),
  fromMin: z.int().min(0).max(1440),
  blocks: z.array(blockSchema).max(60),
});

export const planBodySchema = z
  .strictObject({
    aim: textSchema(300),
    level: z.enum(LEVELS),
    groupSize: z.int().min(1).max(MAX_GROUP),
    season: textSchema(60),
    waterKind: z.enum([...WATER_KINDS, 'any']),
    lengthMin: z.int().min(15).max(720),
    blocks: z.array(blockSchema).max(60),
    rigs: z.array(z.strictObject({ id: idSchema, name: rigNameSchema, rig: rigSchema })).max(12),
    staff: staffSchema.optional(),
    planB: planBSchema.optional(),
    carries: carriedSchema.optional(),
  })
  .superRefine((plan, context) => {
    const rigs = new Set(plan.rigs.map((rig) => rig.id));
    const seen = new Set<string>();
    const rigOf = ({ rigId }: Block, path: (string | number)[]): void => {
      if (rigId && !rigs.has(rigId))
        context.addIssue({
          ...{ code: 'custom', path: [...path, 'rigId'], message: 'the plan carries no such rig' },
        });
    };
    plan.planB?.blocks.forEach((block, index) => rigOf(block, ['planB', 'blocks', index]));
    plan.blocks.forEach((block, index) => {
      rigOf(block, ['blocks', index]);
      if (seen.has(block.id))
        context.addIssue({ code: 'custom', path: ['blocks', index, 'id'], message: 'is used twice' });
      seen.add(block.id);
    });
  }) satisfies z.ZodType<PlanBody>;

/**
 * What a plan names that neither it carries nor the curriculum knows. A plan that named it before may go on doing so.
 *
 * @param before the plan as it is stored, null for a new one
 */
export function goneFromCurriculum(curriculum: Curriculum, plan: PlanBody, before: PlanBody | null): Issue[] {
  const { drills, faults } = curriculumOf(curriculum, plan);
  const named = (block: Block): string[] => [...(block.drillId ? [block.drillId] : []), ...block.watchFor];
  const old = new Set(before ? allBlocks(before).flatMap(named) : []);
  const gone = (path: string, message: string): Issue => ({ path, code: 'gone', message });
  const goneOf = (blocks: readonly Block[], path: string): Issue[] =>
    blocks.flatMap(({ drillId, watchFor }, i) => [
      ...(drillId && !drills.find(drillId) && !old.has(drillId)
        ? [gone(`${path}[${i}].drillId`, 'is no drill that is taught')]
        : []),
      ...watchFor.flatMap((id, n) =>
        faults.find(id) || old.has(id) ? [] : [gone(`${path}[${i}].watchFor[${n}]`, 'is no known fault')],
      ),
    ]);
  return [...goneOf(plan.blocks, 'body.blocks'), ...goneOf(plan.planB?.blocks ?? [], 'body.planB.blocks')];
}

export const planTitleSchema = lineSchema(80);

/** Where a copied plan came from. */
export const originSchema = z.strictObject({
  planId: idSchema,
  title: z.string(),
  ownerName: z.string(),
  /** Whether I can see it now. */
  seen: z.boolean(),
  /** When it moved on since what I took of it, and waits for me; null while it has not. */
  newerAt: instantSchema.nullable(),
});

export const planSummarySchema = z.strictObject({
  id: idSchema,
  title: z.string(),
  aim: z.string(),
  lengthMin: z.number(),
  blockCount: z.number(),
  strands: z.array(z.string()),
  version: versionSchema,
  updatedAt: instantSchema,
  mine: z.boolean(),
  ownerName: z.string(),
  circleId: idSchema.nullable(),
  circleName: z.string().nullable(),
  origin: originSchema.nullable(),
});
export type PlanSummary = z.infer<typeof planSummarySchema>;

export const savedPlanSchema = planSummarySchema.extend({
  body: planBodySchema,
  /** The `version` that fellows were last told of; null for a plan they were told nothing of. */
  toldVersion: versionSchema.nullable(),
});
export type SavedPlan = z.infer<typeof savedPlanSchema>;

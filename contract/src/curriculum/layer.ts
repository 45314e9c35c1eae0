import { circleOfNeeds, ENTRY_KINDS, type Layer } from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema, libraryIdSchema, versionSchema } from '../common';
import type { Issue } from '../http/error';
import { drillSchema, faultSchema, questionSchema, skillSchema } from './entries';

/** Most entries of a kind in one layer. */
export const MAX_ENTRIES = 2000;
/** Longest layer that is stored or read from a file, bytes. */
export const MAX_LAYER_BYTES = 4_000_000;

export const layerSchema = z
  .strictObject({
    alone: z.boolean().default(false),
    skills: z.array(skillSchema).max(MAX_ENTRIES).default([]),
    faults: z.array(faultSchema).max(MAX_ENTRIES).default([]),
    drills: z.array(drillSchema).max(MAX_ENTRIES).default([]),
    questions: z.array(questionSchema).max(MAX_ENTRIES).default([]),
    retired: z
      .array(z.strictObject({ kind: z.enum(ENTRY_KINDS), id: libraryIdSchema }))
      .max(4 * MAX_ENTRIES)
      .default([]),
  })
  .superRefine((layer, context) => {
    for (const field of ['skills', 'faults', 'drills', 'questions'] as const) {
      const seen = new Set<string>();
      layer[field].forEach(({ id }, i) => {
        if (seen.has(id))
          context.addIssue({ code: 'custom', path: [field, i, 'id'], message: 'is used twice' });
        seen.add(id);
      });
    }
    const circle = circleOfNeeds(layer.skills);
    if (circle) {
      const [last, first] = circle.slice(-2) as [string, string];
      const at = layer.skills.findIndex(({ id }) => id === last);
      context.addIssue({
        code: 'custom',
        path: ['skills', at, 'needs', layer.skills[at]?.needs.indexOf(first) ?? 0],
        message: `closes a circle: ${circle.join(' needs ')}`,
      });
    }
  }) satisfies z.ZodType<Layer>;

/** A layer as it is stored; one never saved has version 0. */
export const savedLayerSchema = z.strictObject({
  layer: layerSchema,
  version: z.int().min(0),
  savedBy: z.string(),
  savedAt: instantSchema.nullable(),
});
export type SavedLayer = z.infer<typeof savedLayerSchema>;

export const layerUpdateSchema = z.strictObject({
  layer: layerSchema,
  baseVersion: versionSchema.or(z.literal(0)),
});

/** What an instructor teaches by: his own layer, over that of the circle he follows. */
export const teachingSchema = z.strictObject({
  own: savedLayerSchema,
  /** Circle to which his own layer is shown, for its members to take from. */
  shownTo: idSchema.nullable(),
  /** Circle whose layer lies below his; null for none. */
  circle: savedLayerSchema.extend({ id: idSchema, name: z.string(), mayChange: z.boolean() }).nullable(),
});
export type Teaching = z.infer<typeof teachingSchema>;

/** A layer that a fellow shows. */
export const shownLayerSchema = savedLayerSchema.extend({
  userId: idSchema,
  ownerName: z.string(),
  circleId: idSchema,
  circleName: z.string(),
});
export type ShownLayer = z.infer<typeof shownLayerSchema>;

/** Where an issue of a layer lies: the kind and id of the entry with the path inside it, as far as the path says. */
export function entryOfIssue(
  layer: unknown,
  issue: Issue,
): { list: string; id: string; path: string } | null {
  const found = /^(?:layer\.)?(skills|faults|drills|questions)\[(\d+)\]\.?(.*)$/.exec(issue.path);
  if (!found) return null;
  const [, list = '', index = '', path = ''] = found;
  const entries = (layer as Record<string, { id?: unknown }[] | undefined> | null)?.[list];
  const id = entries?.[Number(index)]?.id;
  return { list, id: typeof id === 'string' ? id : '', path };
}

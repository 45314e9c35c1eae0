import { type Beat, PIECE_KINDS, type SheetOrigin } from '@doceo/core';
import * as z from 'zod';
import { idSchema, lineSchema, versionSchema } from '../common';

/** Metres: x downstream, y across. */
export const pointSchema = z.strictObject({ x: z.number(), y: z.number() });

/** Where a sheet lies on the earth; nearer to a pole longitudes no longer tell places apart. */
export const sheetOriginSchema = z.strictObject({
  longitude: z.number().min(-180).max(180),
  latitude: z.number().min(-85, 'is too near to a pole').max(85, 'is too near to a pole'),
  bearingDeg: z.number().min(0).max(360),
}) satisfies z.ZodType<SheetOrigin>;

/** Something drawn on a sheet, of the kinds it knows. */
export function pieceSchema<const Kinds extends readonly string[]>(kinds: Kinds, mostCorners: number) {
  return z.strictObject({
    id: lineSchema(60),
    kind: z.enum(kinds),
    name: lineSchema(80, 0),
    shape: z.array(pointSchema).min(1).max(mostCorners),
    depthM: z.number().nullable(),
    speedMs: z.number().nullable(),
  });
}

/** A beat as it is typed in; what cannot be in it is told by `beatFaults` with its place. */
export const beatSchema = z.strictObject({
  id: lineSchema(60),
  name: lineSchema(80),
  lengthM: z.number().min(2).max(500),
  widthM: z.number().min(1).max(120),
  origin: sheetOriginSchema.optional(),
  pieces: z.array(pieceSchema(PIECE_KINDS, 200)).max(200),
}) satisfies z.ZodType<Beat>;

/** A beat of a water, drawn or from the library of its school. */
export const savedBeatSchema = z.strictObject({
  id: idSchema,
  waterId: idSchema,
  beat: beatSchema,
  version: versionSchema,
});
export type SavedBeat = z.infer<typeof savedBeatSchema>;

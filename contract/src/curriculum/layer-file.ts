import type { Layer } from '@doceo/core';
import * as z from 'zod';
import { lineSchema } from '../common';
import { readDocument, type ReadFile } from '../files/document-file';
import { layerSchema, MAX_LAYER_BYTES } from './layer';

export const LAYER_FILE_FORMAT = 'doceo-curriculum';
export const LAYER_FILE_VERSION = 1;

/** A layer of a curriculum as a file: format and version first, so that a reader knows what it holds. */
export const layerFileSchema = z.strictObject({
  format: z.literal(LAYER_FILE_FORMAT),
  version: z.literal(LAYER_FILE_VERSION),
  /** Of whom it is. */
  name: lineSchema(80),
  layer: layerSchema,
});
export type LayerFile = z.infer<typeof layerFileSchema>;

/** The text of a layer's file; the same for the same layer, whatever the order of its fields. */
export function writeLayerFile(name: string, layer: Layer): string {
  const file = layerFileSchema.parse({ format: LAYER_FILE_FORMAT, version: LAYER_FILE_VERSION, name, layer });
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Reads the text of a layer's file: the layer, or everything that is wrong with it by path. */
export function readLayerFile(text: string): ReadFile<LayerFile> {
  const newer = newerVersion(text);
  if (newer !== null)
    return {
      file: null,
      issues: [
        {
          path: 'version',
          code: 'newer',
          message: `is ${newer}, of a newer program; this one reads ${LAYER_FILE_VERSION}`,
        },
      ],
    };
  return readDocument(text, layerFileSchema, MAX_LAYER_BYTES, 'a curriculum');
}

/** The version of a file that a later program wrote, else null. */
function newerVersion(text: string): number | null {
  try {
    const { format, version } = JSON.parse(text) as { format?: unknown; version?: unknown };
    return format === LAYER_FILE_FORMAT && typeof version === 'number' && version > LAYER_FILE_VERSION
      ? version
      : null;
  } catch {
    return null;
  }
}

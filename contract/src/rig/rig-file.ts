import * as z from 'zod';
import { readDocument, type ReadFile } from '../files/document-file';
import { rigNameSchema, rigSchema } from './rig';

export const RIG_FILE_FORMAT = 'doceo-rig';
export const RIG_FILE_VERSION = 2;
/** Versions that are read: 1 kept what was weighed with each fly. */
const READ_VERSIONS = [1, RIG_FILE_VERSION] as const;

/** A rig as a file: format and version first, so that a reader knows what it holds. */
export const rigFileSchema = z.strictObject({
  format: z.literal(RIG_FILE_FORMAT),
  version: z.literal(READ_VERSIONS),
  name: rigNameSchema,
  rig: rigSchema,
});
export type RigFile = z.infer<typeof rigFileSchema>;

/** Longest file that is read, characters. */
export const MAX_RIG_FILE = 200_000;

/** The text of a rig file; the same for the same rig, whatever the order of its fields. */
export function writeRigFile(name: string, rig: RigFile['rig']): string {
  const file = rigFileSchema.parse({ format: RIG_FILE_FORMAT, version: RIG_FILE_VERSION, name, rig });
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Reads the text of a rig file: the rig, or everything that is wrong with it by path. */
export function readRigFile(text: string): ReadFile<RigFile> {
  return readDocument(text, rigFileSchema, MAX_RIG_FILE, 'a rig');
}

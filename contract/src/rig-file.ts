import { z } from 'zod';
import { type Issue, toIssues } from './error';
import { rigNameSchema, rigSchema } from './rig';

export const RIG_FILE_FORMAT = 'doceo-rig';
export const RIG_FILE_VERSION = 1;

/** A rig as a file: format and version first, so that a reader knows what it holds. */
export const rigFileSchema = z.strictObject({
  format: z.literal(RIG_FILE_FORMAT),
  version: z.literal(RIG_FILE_VERSION),
  name: rigNameSchema,
  rig: rigSchema,
});
export type RigFile = z.infer<typeof rigFileSchema>;

/** Longest file that is read, characters. */
export const RIG_FILE_MOST = 200_000;

/** The text of a rig file; the same for the same rig, whatever the order of its fields. */
export function writeRigFile(name: string, rig: RigFile['rig']): string {
  const file = rigFileSchema.parse({ format: RIG_FILE_FORMAT, version: RIG_FILE_VERSION, name, rig });
  return `${JSON.stringify(file, null, 2)}\n`;
}

/**
 * Reads the text of a rig file.
 *
 * @returns the rig, or everything that is wrong with it by path; nothing is half read
 */
export function readRigFile(text: string): { file: RigFile; issues: null } | { file: null; issues: Issue[] } {
  const one = (code: string, message: string) => ({ file: null, issues: [{ path: 'file', code, message }] });
  if (text.length > RIG_FILE_MOST) return one('too-large', 'is too large for a rig');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return one('unreadable', 'is no readable JSON');
  }
  const result = rigFileSchema.safeParse(value);
  return result.success
    ? { file: result.data, issues: null }
    : { file: null, issues: toIssues(result.error) };
}

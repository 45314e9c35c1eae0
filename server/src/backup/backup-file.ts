import { createHash } from 'node:crypto';
import { createReadStream, existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import * as z from 'zod';

/** What a backup consists of, in a folder of its own. */
export const DATA = 'data.sql.gz';
export const SECRET = 'session-secret';
export const DELETIONS = 'deletions.txt';
const ABOUT = 'about.json';

const aboutSchema = z.strictObject({
  format: z.literal('doceo-backup'),
  version: z.literal(1),
  /** When it was begun; what came later is not in it. */
  at: z.iso.datetime(),
  /** Of the data as they lie in the folder. */
  sha256: z.string(),
  /** The last step of the schema that they have. */
  schema: z.string(),
});
export type About = z.infer<typeof aboutSchema>;

export const aboutPath = (folder: string): string => join(folder, ABOUT);

/**
 * What a backup says of itself, when it is whole.
 *
 * @throws Error that says what is wrong with it
 */
export async function readAbout(folder: string): Promise<About> {
  if (!existsSync(aboutPath(folder))) throw new Error(`There is no whole backup in ${folder}.`);
  const read = aboutSchema.safeParse(JSON.parse(readFileSync(aboutPath(folder), 'utf8')));
  if (!read.success) throw new Error(`${aboutPath(folder)} is of another version of Doceo, or was changed.`);
  if ((await sha256(join(folder, DATA))) !== read.data.sha256)
    throw new Error(`${join(folder, DATA)} is not as it was written. Take another backup.`);
  return read.data;
}

export async function sha256(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}

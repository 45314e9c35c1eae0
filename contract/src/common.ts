import * as z from 'zod';
import type { Issue } from './http/error';

/** Small letters only: the same id written in capitals is the same id. */
export const idSchema = z.uuid().toLowerCase();
/** Up to so many ids in one text, with commas between, as a query names them. */
export function idsTextSchema(max: number): z.ZodType<string> {
  const ids = z.array(idSchema).max(max);
  return z.string().refine((text) => ids.safeParse(text.split(',')).success, `is not up to ${max} ids`);
}

/** A version number of a document that is saved with optimistic locking. */
export const versionSchema = z.int().min(1);
export const dateSchema = z.iso.date();
export const instantSchema = z.iso.datetime();

/** Half a character, as when a text was cut in the middle of an emoji: no store takes it. */
const HALF_CHARACTER = /^\P{Cs}*$/u;
const HALF_CHARACTER_TOLD = 'contains half a character';

/** One line of text, trimmed, without control characters. */
export function lineSchema(max: number, min = 1): z.ZodType<string> {
  return z
    .string()
    .trim()
    .min(min)
    .max(max)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'must not contain control characters, nor half ones');
}

/** Several lines of text, trimmed; may be empty. */
export function textSchema(max: number): z.ZodType<string> {
  return z.string().trim().max(max).regex(HALF_CHARACTER, HALF_CHARACTER_TOLD);
}

/** Places of a value, keys included, where a text contains half a character. */
export function halfCharacters(value: unknown, path = ''): Issue[] {
  if (typeof value === 'string')
    return HALF_CHARACTER.test(value) ? [] : [{ path, code: 'half-character', message: HALF_CHARACTER_TOLD }];
  if (Array.isArray(value)) return value.flatMap((entry, i) => halfCharacters(entry, `${path}[${i}]`));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, entry]) => {
    const at = path ? `${path}.${key}` : key;
    return HALF_CHARACTER.test(key)
      ? halfCharacters(entry, at)
      : [{ path, code: 'half-character', message: HALF_CHARACTER_TOLD }];
  });
}

/** An id of a skill, fault or drill, also of one that is gone. */
export const libraryIdSchema = z
  .string()
  .max(60)
  .regex(/^[a-z0-9][a-z0-9._-]*$/, 'is no id of the library');

export const emptySchema = z.strictObject({});
export const okSchema = z.strictObject({ ok: z.literal(true) });

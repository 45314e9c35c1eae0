import * as z from 'zod';

export const idSchema = z.uuid();
/** A version number of a document that is saved with optimistic locking. */
export const versionSchema = z.int().min(1);
export const dateSchema = z.iso.date();
export const instantSchema = z.iso.datetime();

/** One line of text, trimmed, without control characters. */
export function lineSchema(max: number, min = 1): z.ZodType<string> {
  return z
    .string()
    .trim()
    .min(min)
    .max(max)
    .regex(/^\P{Cc}*$/u, 'must not contain control characters');
}

/** Several lines of text, trimmed; may be empty. */
export function textSchema(max: number): z.ZodType<string> {
  return z.string().trim().max(max);
}

export const emptySchema = z.strictObject({});
export const okSchema = z.strictObject({ ok: z.literal(true) });

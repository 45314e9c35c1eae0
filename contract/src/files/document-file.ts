import type * as z from 'zod';
import { type Issue, toIssues } from '../http/error';

export type ReadFile<T> = { file: T; issues: null } | { file: null; issues: Issue[] };

/**
 * Reads the text of a document's file.
 *
 * @param most longest text that is read, characters
 * @param what the file is of, for its messages
 * @returns the document, or everything that is wrong with it by path; nothing is half read
 */
export function readDocument<T>(text: string, schema: z.ZodType<T>, most: number, what: string): ReadFile<T> {
  const one = (code: string, message: string) => ({ file: null, issues: [{ path: 'file', code, message }] });
  if (text.length > most) return one('too-large', `is too large for ${what}`);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return one('unreadable', 'is no readable JSON');
  }
  const result = schema.safeParse(value);
  return result.success
    ? { file: result.data, issues: null }
    : { file: null, issues: toIssues(result.error) };
}

import * as z from 'zod';

export const ERROR_CODES = [
  'invalid',
  'unreadable',
  'too-large',
  'wrong-content-type',
  'signed-out',
  'wrong-credentials',
  'forbidden',
  'not-found',
  'version-conflict',
  'already-exists',
  'in-use',
  'too-many',
  'cross-site',
  'unavailable',
  'internal',
] as const;
export type ErrorCode = (typeof ERROR_CODES)[number];

export const issueSchema = z.strictObject({ path: z.string(), code: z.string(), message: z.string() });
export type Issue = z.infer<typeof issueSchema>;

/** The one shape of every error of the API. */
export const errorSchema = z.strictObject({
  error: z.strictObject({
    code: z.enum(ERROR_CODES),
    message: z.string(),
    issues: z.array(issueSchema),
    requestId: z.string(),
  }),
});
export type ErrorBody = z.infer<typeof errorSchema>;

/** Zod's issues as path, code and words; paths read `blocks[2].title`. */
export function toIssues(error: z.ZodError, prefix = ''): Issue[] {
  return error.issues.map((issue) => ({
    path: pathText(issue.path, prefix),
    code: issue.code ?? 'invalid',
    message: issue.message,
  }));
}

function pathText(path: readonly PropertyKey[], prefix: string): string {
  return path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part),
    prefix,
  );
}

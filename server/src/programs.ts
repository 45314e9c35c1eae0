import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** What a server starts beside itself; all are made by the same build. */
const PROGRAMS = ['hashing', 'large', 'fit'] as const;
export type Program = (typeof PROGRAMS)[number];

/** @param root the folder below which `dist` lies */
export function programFile(root: string, program: Program): string {
  return join(root, `dist/${program}.mjs`);
}

/**
 * Those that are not there: without them nobody could sign in, and nothing large be taken. It is better said before the
 * server takes anybody than when the first one comes.
 */
export function missingPrograms(root: string): string[] {
  return PROGRAMS.map((program) => programFile(root, program)).filter((file) => !existsSync(file));
}

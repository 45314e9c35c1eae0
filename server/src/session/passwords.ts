import { hash, verify } from '@node-rs/argon2';
import type { Issue } from '@doceo/contract';
import { dictionary } from '@zxcvbn-ts/language-common';

const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common']);

/**
 * What speaks against a new password beside its length: that it is on a list of common ones, is one character over and
 * over, or says what everybody knows of its owner.
 *
 * @param known the owner's e-mail and name
 */
export function passwordIssues(password: string, known: readonly string[], path: string): Issue[] {
  const plain = password.toLowerCase();
  const weak = (code: string, message: string): Issue[] => [{ path, code, message }];
  if (COMMON.has(plain)) return weak('common', 'is one of the first that are tried; choose another');
  if (new Set(plain).size < 4) return weak('common', 'repeats itself; choose another');
  const words = known.flatMap((text) => [text, text.split('@')[0] ?? '']).map((text) => text.toLowerCase());
  return words.some(
    (word) =>
      word.length > 3 &&
      (plain === word || plain.replace(/[^\p{L}]/gu, '') === word.replace(/[^\p{L}]/gu, '')),
  )
    ? weak('own-name', 'is your own name or address; choose another')
    : [];
}

export const hashPassword = (password: string): Promise<string> => hash(password);

let decoy: Promise<string> | undefined;

/** Whether it is the right one. For an unknown account (null) it takes as long to say no. */
export async function isPassword(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hash(crypto.randomUUID());
  const right = await verify(stored ?? (await decoy), password);
  return right && stored !== null;
}

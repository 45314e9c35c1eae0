import type { Issue } from '@doceo/contract';
import { dictionary } from '@zxcvbn-ts/language-common';
import pLimit from 'p-limit';
import { hashing } from '../hashing/hashing-thread';
import { HttpError } from '../http/errors';

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

/** The thread works at one at a time. */
const oneByOne = pLimit(1);
/** So many may wait for it, some seconds of work; more are sent away. */
const MOST_WAITING = 200;

/** @throws HttpError 'too-many' where very many wait already */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (oneByOne.pendingCount >= MOST_WAITING)
    throw new HttpError('too-many', [], 'Very many sign in just now. Try again in a moment.');
  return oneByOne(work);
}

/** @throws HttpError 'too-many' where very many wait already */
export const hashPassword = async (password: string): Promise<string> => inTurn(() => hash(password));

const hash = async (password: string): Promise<string> => String(await hashing({ password, against: null }));

let decoy: Promise<string> | undefined;

/**
 * Whether it is the right one. For an unknown account (null) it takes as long to say no.
 *
 * @throws HttpError 'too-many' where very many wait already
 */
export async function isPassword(stored: string | null, password: string): Promise<boolean> {
  decoy ??= oneByOne(() => hash(crypto.randomUUID())).catch((error: unknown) => {
    decoy = undefined;
    throw error;
  });
  const against = stored ?? (await decoy);
  const right = await inTurn(() => hashing({ password, against }));
  return right === true && stored !== null;
}

import { createHash, randomBytes } from 'node:crypto';

/** The token of a link: 128 bits, which nobody guesses. */
export function newToken(): string {
  return randomBytes(16).toString('base64url');
}

/** What is kept of the token of a link: from it nobody finds the token. */
export function tokenHash(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

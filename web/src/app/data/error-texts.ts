import type { ErrorCode } from '@doceo/contract';

/** How the client words each error code; the server's own message stands where it says more. */
export const ERROR_TEXTS: Partial<Record<ErrorCode | 'offline', string>> = {
  offline: 'The server does not answer. Trying again; nothing is lost.',
  unavailable: 'The database does not answer. Trying again; nothing is lost.',
  internal: 'That failed on the server’s side. Your work is kept here; try again.',
  'too-many': 'Too many tries. Wait a quarter of an hour.',
  'too-large': 'That is too large to save.',
};

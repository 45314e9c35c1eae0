import type { ErrorCode, EventReceipt } from '@doceo/contract';

/** How the client words each error code; the server's own message stands where it says more. */
export const ERROR_TEXTS: Partial<Record<ErrorCode | 'offline', string>> = {
  offline: 'The server does not answer. Trying again; nothing is lost.',
  unavailable: 'The database does not answer. Trying again; nothing is lost.',
  internal: 'That failed on the server’s side. Your work is kept here; try again.',
  'too-many': 'Too many tries. Wait a quarter of an hour.',
  'too-large': 'That is too large to save.',
};

/** Why an entry cannot be stored as it is, and what would help. */
export function refusalText({ message, issues }: EventReceipt['refused'][number]): string {
  const [issue] = issues;
  if (issue?.code === 'half-character')
    return 'It contains half a character, as of an emoji that was cut. Sent again, that is left out.';
  if (issue?.code === 'gone' && issue.path === 'body.skillId')
    return 'This skill is not in the library any more. Say which one it counts for.';
  if (issue?.code === 'gone') return 'Its drill or fault is not in the library any more.';
  return issue ? `It cannot be read: ${issue.path} ${issue.message}.` : message;
}

import type { BankEvent } from '@doceo/core';

/** How the tries of a student went, oldest first. */
export function triesOf(events: readonly BankEvent[], id: string): boolean[] {
  return events.flatMap(({ studentId, body }) =>
    studentId === id && body.kind === 'attempt' ? [body.good] : [],
  );
}

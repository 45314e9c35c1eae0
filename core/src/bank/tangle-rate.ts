import type { BankEvent } from './event';
import { activeEvents } from './log';

/** Hours on the record below which a student's own rate is not told. */
export const MIN_HOURS = 2;

/**
 * Tangles of a student in an hour, by the bank book.
 *
 * @param hoursOf length of a lesson, hours
 * @returns null while fewer than MIN_HOURS of lessons with this student are on the record
 */
export function tanglesPerHour(
  events: readonly BankEvent[],
  studentId: string,
  hoursOf: (lessonId: string) => number,
): number | null {
  const own = activeEvents(events).filter((event) => event.studentId === studentId);
  const hours = [...new Set(own.map(({ lessonId }) => lessonId))].reduce((sum, id) => sum + hoursOf(id), 0);
  if (hours < MIN_HOURS) return null;
  return own.filter(({ body }) => body.kind === 'tangle').length / hours;
}

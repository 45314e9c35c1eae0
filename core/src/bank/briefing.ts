import type { BankEvent, SafetyKind } from './event';
import { activeEvents } from './log';

/** Something that went wrong in a lesson before, to be spoken of before the next one. */
export interface Incident {
  what: SafetyKind;
  /** null where it was the group's. */
  studentId: string | null;
  text: string;
  /** Epoch milliseconds. */
  atMs: number;
}

/** Incidents that are told at the most. */
const MOST = 4;

/**
 * What the safety talk of a lesson should speak of: incidents of these students in lessons before, the latest first, each
 * kind once a student.
 *
 * @param events of the students of the lesson
 */
export function toBrief(events: readonly BankEvent[], lessonId: string): Incident[] {
  const seen = new Set<string>();
  return activeEvents(events)
    .reverse()
    .flatMap(({ lessonId: of, studentId, atMs, body }): Incident[] => {
      if (body.kind !== 'safety' || of === lessonId) return [];
      const key = `${body.what} ${studentId}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [{ what: body.what, studentId, text: body.text, atMs }];
    })
    .slice(0, MOST);
}

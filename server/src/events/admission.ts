import { ageOn, type EventReceipt, type SavedLesson, type SavedStudent } from '@doceo/contract';
import { ADULT_AGE, type BankEvent } from '@doceo/core';

/** What is known when events arrive. */
export interface AdmissionFacts {
  lessons: ReadonlyMap<string, SavedLesson>;
  students: ReadonlyMap<string, SavedStudent>;
  /** Lesson of each event id that is stored already, targets of undos included. */
  stored: ReadonlyMap<string, string>;
}

type Refusal = EventReceipt['refused'][number];

/**
 * Sorts arriving events into new, known and refused. One refused event holds up no other.
 *
 * An undo may arrive before what it takes back; when that is stored it must belong to the same lesson.
 */
export function admit(
  events: readonly BankEvent[],
  facts: AdmissionFacts,
): { fresh: BankEvent[]; known: string[]; refused: Refusal[] } {
  const fresh = new Map<string, BankEvent>();
  const known: string[] = [];
  const refused: Refusal[] = [];
  for (const event of events) {
    const refusal = refusalOf(event, facts);
    if (refusal) refused.push({ id: event.id, ...refusal });
    else if (facts.stored.has(event.id) || fresh.has(event.id)) known.push(event.id);
    else fresh.set(event.id, event);
  }
  return { fresh: [...fresh.values()], known, refused };
}

function refusalOf(
  event: BankEvent,
  { lessons, students, stored }: AdmissionFacts,
): Omit<Refusal, 'id'> | null {
  const lesson = lessons.get(event.lessonId);
  if (!lesson) return { code: 'no-lesson', message: 'There is no such lesson of yours.' };
  if (stored.has(event.id) && stored.get(event.id) !== event.lessonId)
    return { code: 'id-taken', message: 'Another event has this id.' };
  if (
    event.body.kind === 'undo' &&
    stored.has(event.body.targetId) &&
    stored.get(event.body.targetId) !== event.lessonId
  ) {
    return { code: 'no-target', message: 'What it takes back belongs to another lesson.' };
  }
  if (event.studentId === null) return null;
  const student = students.get(event.studentId);
  if (!student || !lesson.studentIds.includes(event.studentId))
    return { code: 'no-student', message: 'The student is not in this lesson.' };
  const age = ageOn(student.student.bornOn, lesson.startsAt);
  if (age !== null && age < ADULT_AGE && !student.student.guardianConsentOn)
    return { code: 'no-consent', message: 'No guardian’s consent is on file; nothing is recorded.' };
  return null;
}

import { EVENT_REFUSALS, type Issue, readNewEvent, type SavedStudent, unknownIn } from '@doceo/contract';
import type { BankEvent, Curriculum } from '@doceo/core';
import { whyNotRecorded } from '../students/recorded';

/** Of a lesson only what admission asks for. */
export interface LessonFacts {
  startsAt: string;
  studentIds: readonly string[];
}

/** What is known when events arrive. */
export interface AdmissionFacts {
  lessons: ReadonlyMap<string, LessonFacts>;
  students: ReadonlyMap<string, SavedStudent>;
  /** Lesson of each event id that is stored already, targets of undos included. */
  stored: ReadonlyMap<string, string>;
  /** The curriculum as the plan of a lesson reads it, by lesson. */
  curricula: ReadonlyMap<string, Curriculum>;
}

/** An event that can be read, with what the device calls it and where in the request it stood. */
export interface Arrival {
  index: number;
  /** The id as it was sent; capitals are the same id. */
  sentId: string;
  event: BankEvent;
}

export interface Refusal {
  index: number;
  id: string;
  code: (typeof EVENT_REFUSALS)[number];
  message: string;
  issues: Issue[];
}

const UNREADABLE = 'The entry cannot be stored as it is.';

/** Reads what arrived, each by itself: one that can never be stored holds up no other. */
export function readArrivals(values: readonly unknown[]): { arrivals: Arrival[]; refused: Refusal[] } {
  const arrivals: Arrival[] = [];
  const refused: Refusal[] = [];
  values.forEach((value, index) => {
    const id = (value as { id?: unknown } | null)?.id;
    const sentId = typeof id === 'string' ? id.replace(/\p{Cs}/gu, '\uFFFD') : '';
    const read = readNewEvent(value);
    if ('event' in read) arrivals.push({ index, sentId, event: read.event });
    else
      refused.push({
        index,
        id: sentId,
        code: 'invalid',
        message: UNREADABLE,
        issues: read.issues,
      });
  });
  return { arrivals, refused };
}

/**
 * Sorts readable events into new, known and refused.
 *
 * An undo may arrive before what it takes back; when that is stored it must belong to the same lesson.
 */
export function admit(
  arrivals: readonly Arrival[],
  facts: AdmissionFacts,
): { fresh: Arrival[]; known: Arrival[]; refused: Refusal[] } {
  const fresh = new Map<string, Arrival>();
  const known: Arrival[] = [];
  const refused: Refusal[] = [];
  for (const arrival of arrivals) {
    const { event, index, sentId } = arrival;
    const refusal = refusalOf(event, facts);
    if (refusal) refused.push({ index, id: sentId, ...refusal });
    else if (facts.stored.has(event.id) || fresh.has(event.id)) known.push(arrival);
    else fresh.set(event.id, arrival);
  }
  return { fresh: [...fresh.values()], known, refused };
}

function refusalOf(
  event: BankEvent,
  facts: AdmissionFacts,
): Pick<Refusal, 'code' | 'message' | 'issues'> | null {
  const refusal = refusalOfPlace(event, facts);
  if (refusal) return { ...refusal, issues: [] };
  // What is stored already was admitted, whatever is taught since.
  const curriculum = facts.stored.has(event.id) ? undefined : facts.curricula.get(event.lessonId);
  const issues = curriculum ? unknownIn(curriculum, event) : [];
  return issues.length > 0 ? { code: 'invalid', message: UNREADABLE, issues } : null;
}

/** Why an event does not belong where it says: lesson, id, student, consent. */
function refusalOfPlace(
  event: BankEvent,
  { lessons, students, stored }: AdmissionFacts,
): Pick<Refusal, 'code' | 'message'> | null {
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
  const why = whyNotRecorded(student, lesson.startsAt);
  return why === null ? null : { code: 'no-consent', message: why };
}

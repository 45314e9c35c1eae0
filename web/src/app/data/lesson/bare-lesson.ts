import type { Lesson, SavedLesson } from '@doceo/contract';

/** What is saved of a lesson that is there already. */
export function bareLesson({ planId, waterId, startsAt, studentIds }: SavedLesson): Lesson {
  return { planId, waterId, startsAt, studentIds };
}

/** When a lesson ends, epoch milliseconds. */
export function endMs({ startsAt, lengthMin }: Pick<SavedLesson, 'startsAt' | 'lengthMin'>): number {
  return Date.parse(startsAt) + lengthMin * 60_000;
}

/** A lesson as it is told now: a copy that an earlier version kept on this device says not whose it is. */
export function asToldNow(lesson: SavedLesson): SavedLesson {
  return { ...{ mine: true, instructors: [] }, ...lesson };
}

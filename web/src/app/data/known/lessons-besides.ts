import { computed, inject, type Signal } from '@angular/core';
import { type LessonQuery, MAX_LISTED_LESSONS, type SavedLesson } from '@doceo/contract';
import { forkJoin, of } from 'rxjs';
import { fetched } from '../api/fetched';
import { inParts } from '../api/in-parts';
import { LessonList } from './lesson-list';

/**
 * Has lessons in the list besides those around now: of a plan, of a time, or by ids. Call it where things are injected.
 *
 * @returns whether all are there; null while it looks, and false where neither the server nor this device tells of them
 */
export function lessonsBesides(asked: () => readonly LessonQuery[] | null): Signal<boolean | null> {
  const list = inject(LessonList);
  const found = fetched(
    // Not before those around now are there, and anew when they are.
    () => (list.round() > 0 ? JSON.stringify([list.round(), asked()]) : null),
    (question) => {
      const [, queries] = JSON.parse(question) as [number, LessonQuery[] | null];
      return queries?.length ? forkJoin(queries.map((query) => list.besides(query))) : of([]);
    },
  );
  return computed(() => found.value()?.every(Boolean) ?? null);
}

/** The same for lessons by their ids; those that are known are not asked for. */
export function lessonsById(ids: () => readonly string[]): Signal<boolean | null> {
  const list = inject(LessonList);
  return lessonsBesides(() => {
    const known = new Set(list.lessons().map(({ id }) => id));
    const missing = ids().filter((id) => !known.has(id));
    return inParts(missing, MAX_LISTED_LESSONS).map((part) => ({ ids: part.join(',') }));
  });
}

/** One lesson, wherever it lies, and whether it could be looked for. Call it where things are injected. */
export function lessonWith(id: () => string): {
  lesson: Signal<SavedLesson | null>;
  looked: Signal<boolean | null>;
} {
  const list = inject(LessonList);
  const looked = lessonsById(() => [id()]);
  return { lesson: computed(() => list.lessons().find((one) => one.id === id()) ?? null), looked };
}

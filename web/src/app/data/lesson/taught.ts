import { inject } from '@angular/core';
import { api, type LessonPlan, type SavedLesson } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { type Fetched, fetched } from '../api/fetched';
import { LessonHistory } from '../records/lesson-history';

/** The plan of a lesson with what its students did before. Call it where things are injected. */
export function taughtIn(
  lesson: () => SavedLesson | null,
): Fetched<{ plan: LessonPlan; events: BankEvent[] }> {
  const client = inject(ApiClient);
  const history = inject(LessonHistory);
  return fetched(lesson, (one) =>
    forkJoin({
      plan: client.call(api.lessons.plan, { params: { id: one.id } }),
      events: history.ofLesson(one),
    }),
  );
}

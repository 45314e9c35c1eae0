import { inject, Injectable, signal } from '@angular/core';
import {
  api,
  type LessonQuery,
  MAX_LISTED_BEGUN,
  MAX_LISTED_LESSONS,
  type SavedLesson,
} from '@doceo/contract';
import { EMPTY, expand, last, map, type Observable, of, switchMap, tap } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { asToldNow } from '../lesson/bare-lesson';

/** The lessons that this device knows: those around now, all that are to come, and others once a screen asked for them. */
@Injectable({ providedIn: 'root' })
export class LessonList {
  private readonly client = inject(ApiClient);
  private readonly known = signal<SavedLesson[]>([]);
  private readonly loads = signal(0);

  /** By start. */
  readonly lessons = this.known.asReadonly();
  /** How often those around now were fetched: what was asked for besides is forgotten then, and asked for anew. */
  readonly round = this.loads.asReadonly();

  /** @param chosenId the lesson that is shown, which may be none of those around now */
  load(chosenId: string | null): Observable<unknown> {
    return this.client.call(api.lessons.list).pipe(
      switchMap((around) =>
        chosenId === null || around.some(({ id }) => id === chosenId)
          ? of({ around, chosen: [] })
          : this.ask({ ids: chosenId }).pipe(map((chosen) => ({ around, chosen: chosen ?? [] }))),
      ),
      tap(({ around, chosen }) => {
        this.known.set([]);
        this.put([...around, ...chosen]);
        this.loads.update((n) => n + 1);
        const last = around.at(-1);
        if (last && around.length >= MAX_LISTED_LESSONS - MAX_LISTED_BEGUN)
          this.besides({ from: last.startsAt }).subscribe();
      }),
    );
  }

  /**
   * Fetches others besides, page by page; without a network those of which this device has a copy.
   *
   * @returns whether all were told
   */
  besides(query: LessonQuery): Observable<boolean> {
    return this.ask(query).pipe(
      expand((page) => {
        const [first, last] = [page?.[0], page?.at(-1)];
        const isLast = !page || page.length < MAX_LISTED_LESSONS || first?.startsAt === last?.startsAt;
        return isLast || !query.from ? EMPTY : this.ask({ ...query, from: last?.startsAt });
      }),
      tap((page) => this.put(page ?? [])),
      last(),
      map((page) => page !== null),
    );
  }

  put(lessons: readonly SavedLesson[]): void {
    const told = new Map([...this.known(), ...lessons.map(asToldNow)].map((one) => [one.id, one]));
    this.known.set(
      [...told.values()].sort((a, b) => a.startsAt.localeCompare(b.startsAt) || a.id.localeCompare(b.id)),
    );
  }

  drop(id: string): void {
    this.known.update((list) => list.filter((lesson) => lesson.id !== id));
  }

  /** Null where nobody tells. */
  private ask(query: LessonQuery): Observable<SavedLesson[] | null> {
    return this.client.ifThere(api.lessons.list, { query });
  }
}

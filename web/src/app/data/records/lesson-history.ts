import { inject, Injectable, signal } from '@angular/core';
import { api, type SavedLesson, type StudentColumns } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { map, type Observable, of, ReplaySubject, share, tap, timer } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { eventsOf } from './group-records';

/** What was told so short a time ago is not asked for again, milliseconds. */
const JUST_MS = 1000;

/** What counts of the records of a lesson's students, from all their lessons. */
@Injectable({ providedIn: 'root' })
export class LessonHistory {
  private readonly client = inject(ApiClient);
  private readonly known = signal<BankEvent[]>([]);
  private followed: string | null = null;
  /** By the lesson; what a screen asks for and what is under it is one question. */
  private readonly asked = new Map<string, Observable<StudentColumns[]>>();
  /** What this device kept since the page was opened: an answer that was on its way meanwhile lacks it. */
  private readonly heardHere = new Map<string, BankEvent>();

  /** Of the lesson that is followed. */
  readonly events = this.known.asReadonly();

  /**
   * Fetches those of the lesson that every screen follows.
   *
   * @param force whether also when they are known
   */
  follow(lesson: SavedLesson, force: boolean): Observable<unknown> {
    if (this.followed === lesson.id && !force) return of(null);
    this.followed = lesson.id;
    return this.ofLesson(lesson).pipe(
      tap((events) => {
        // Another lesson may have been chosen since: the answer to the last question counts.
        if (this.followed === lesson.id) this.known.set(events);
      }),
    );
  }

  /** Those of any lesson. */
  ofLesson({ id }: SavedLesson): Observable<BankEvent[]> {
    const asked =
      this.asked.get(id) ??
      this.client
        .call(api.records.list, { query: { lessonId: id } })
        .pipe(share({ connector: () => new ReplaySubject(1), resetOnComplete: () => timer(JUST_MS) }));
    this.asked.set(id, asked);
    return asked.pipe(map((records) => this.withHeard(eventsOf(records))));
  }

  /** Events that this device has just kept: the estimates follow them at once. */
  heard(events: readonly BankEvent[]): void {
    for (const event of events) this.heardHere.set(event.id, event);
    this.known.update((list) => this.withHeard(list));
  }

  /** Who is in the lesson has changed: it is asked for anew next. */
  forget(): void {
    this.followed = null;
    this.asked.clear();
  }

  /** Somebody is gone, and what was known of him. */
  clear(): void {
    this.forget();
    this.known.set([]);
  }

  private withHeard(events: readonly BankEvent[]): BankEvent[] {
    const known = new Set(events.map(({ id }) => id));
    return [...events, ...[...this.heardHere.values()].filter(({ id }) => !known.has(id))];
  }
}

import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { api } from '@doceo/contract';
import {
  attemptsOf,
  evidenceOf,
  type BankEvent,
  type SkillAttempt,
  type SkillState,
  skillState,
} from '@doceo/core';
import { type Subscription } from 'rxjs';
import { ApiClient } from '../api/api-client';
import type { ApiError } from '../api/api-error';
import { FitStore } from './fit-store';
import { DayStore } from '../lesson/day-store';
import { TeachingStore } from '../teaching/teaching-store';

/** What estimates of all students rest on, for lists and groups: attempts, without remarks or fish. */
@Injectable({ providedIn: 'root' })
export class RecordsStore {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly fits = inject(FitStore);
  private readonly day = inject(DayStore);
  private readonly all = signal<readonly BankEvent[]>([]);
  private asked: Subscription | null = null;

  readonly loaded = signal(false);
  readonly failed = signal<ApiError | null>(null);
  readonly events = this.all.asReadonly();
  private readonly byStudent = computed(() => {
    const found = new Map<string, BankEvent[]>();
    for (const event of this.all()) {
      const own = found.get(event.studentId ?? '');
      if (own) own.push(event);
      else found.set(event.studentId ?? '', [event]);
    }
    return found;
  });

  /** Asks now, and anew whenever the list of students changes. Call it where things are injected. */
  keepFresh(): void {
    effect(() => {
      this.day.students();
      untracked(() => this.load());
    });
  }

  /** Asks anew; the answer to a question before this one no longer counts. */
  load(): void {
    this.asked?.unsubscribe();
    this.failed.set(null);
    this.asked = this.client.call(api.students.overview).subscribe({
      next: (events) => {
        this.all.set(events);
        this.loaded.set(true);
      },
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  attemptCount(studentId: string): number {
    return attemptsOf(this.byStudent().get(studentId) ?? [], studentId).length;
  }

  /** What shows the skills of one student. */
  evidence(studentId: string): SkillAttempt[] {
    return evidenceOf(this.byStudent().get(studentId) ?? [], studentId);
  }

  /** Ids of the skills of which a lesson has anything on record; null where it has nothing at all. */
  triedIn(lessonId: string): ReadonlySet<string> | null {
    const own = this.all().filter((event) => event.lessonId === lessonId);
    if (own.length === 0) return null;
    const who = new Set(own.flatMap(({ studentId }) => studentId ?? []));
    return new Set([...who].flatMap((id) => evidenceOf(own, id).map(({ skillId }) => skillId)));
  }

  /** Estimates of one student now. */
  stateOf(studentId: string, nowMs: number): SkillState {
    return skillState(
      this.teaching.curriculum().skills.all,
      this.evidence(studentId),
      nowMs,
      this.fits.fitted(),
    );
  }
}

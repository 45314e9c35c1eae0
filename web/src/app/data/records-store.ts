import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type SavedStudent } from '@doceo/contract';
import { attemptsOf, type BankEvent, SKILLS, type SkillState, skillState } from '@doceo/core';
import { forkJoin, type Observable, of, tap } from 'rxjs';
import { ApiClient } from './api-client';
import type { ApiError } from './api-error';
import { FitStore } from './fit-store';

/** Records of several students at once, for lists and groups. */
@Injectable({ providedIn: 'root' })
export class RecordsStore {
  private readonly client = inject(ApiClient);
  private readonly fits = inject(FitStore);
  private readonly byStudent = signal<Readonly<Record<string, BankEvent[]>>>({});

  readonly loaded = signal(false);
  readonly failed = signal<ApiError | null>(null);
  readonly events = computed(() => Object.values(this.byStudent()).flat());

  load(students: readonly SavedStudent[]): void {
    const asked: Observable<Record<string, BankEvent[]>> =
      students.length === 0
        ? of({})
        : forkJoin(
            Object.fromEntries(
              students.map(({ id }) => [id, this.client.call(api.events.list, { query: { studentId: id } })]),
            ),
          );
    this.failed.set(null);
    asked.pipe(tap((events) => this.byStudent.set(events))).subscribe({
      next: () => this.loaded.set(true),
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  attemptCount(studentId: string): number {
    return attemptsOf(this.byStudent()[studentId] ?? [], studentId).length;
  }

  /** Estimates of one student now. */
  stateOf(studentId: string, nowMs: number): SkillState {
    return skillState(
      SKILLS,
      attemptsOf(this.byStudent()[studentId] ?? [], studentId),
      nowMs,
      this.fits.fitted(),
    );
  }
}

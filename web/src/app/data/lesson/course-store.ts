import { inject, Injectable, signal } from '@angular/core';
import { api, type Course, type SavedCourse } from '@doceo/contract';
import { type Observable, tap } from 'rxjs';
import { ApiClient } from '../api/api-client';
import type { ApiError } from '../api/api-error';

/** Courses of the signed-in instructor. */
@Injectable({ providedIn: 'root' })
export class CourseStore {
  private readonly client = inject(ApiClient);
  private readonly list = signal<readonly SavedCourse[] | null>(null);

  /** null until they were heard of. */
  readonly courses = this.list.asReadonly();
  readonly failed = signal<ApiError | null>(null);

  load(): void {
    this.failed.set(null);
    this.client.call(api.courses.list).subscribe({
      next: (courses) => this.list.set(courses),
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  save(id: string, course: Course): Observable<SavedCourse> {
    const exists = this.list()?.some((one) => one.id === id) ?? false;
    const saved = exists
      ? this.client.call(api.courses.update, { params: { id }, body: course })
      : this.client.call(api.courses.create, { body: { id, course } });
    return saved.pipe(
      tap((one) => this.list.update((list) => [one, ...(list ?? []).filter((other) => other.id !== id)])),
    );
  }

  remove(id: string): Observable<unknown> {
    return this.client
      .call(api.courses.remove, { params: { id } })
      .pipe(tap(() => this.list.update((list) => (list ?? []).filter((one) => one.id !== id))));
  }
}

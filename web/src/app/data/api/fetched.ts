import { computed, effect, type Signal, signal, untracked } from '@angular/core';
import type { Observable, Subscription } from 'rxjs';
import type { ApiError } from './api-error';

/** Something that is fetched: what there is, or why not; null and null while it is on its way. */
export interface Fetched<T> {
  value: Signal<T | null>;
  failed: Signal<ApiError | null>;
  /** What there is may be changed by what happens meanwhile. */
  update: (change: (value: T) => T) => void;
  again: () => void;
}

/**
 * Fetches anew whenever what is asked for changes. The answer to an earlier question never shows: its call is ended.
 * Call it where things are injected.
 *
 * @param asked what to ask for; null for nothing
 */
export function fetched<Q, T>(asked: () => Q | null, fetch: (question: Q) => Observable<T>): Fetched<T> {
  const answer = signal<T | null>(null);
  const failed = signal<ApiError | null>(null);
  const tries = signal(0);
  const question = computed(asked);
  effect((cleanUp) => {
    const now = question();
    tries();
    const call = untracked((): Subscription | null => {
      answer.set(null);
      failed.set(null);
      if (now === null) return null;
      return fetch(now).subscribe({
        next: (value) => answer.set(value),
        error: (error: ApiError) => failed.set(error),
      });
    });
    cleanUp(() => call?.unsubscribe());
  });
  return {
    value: answer.asReadonly(),
    failed: failed.asReadonly(),
    update: (change) => answer.update((value) => (value === null ? value : change(value))),
    again: () => tries.update((n) => n + 1),
  };
}

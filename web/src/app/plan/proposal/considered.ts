import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime } from 'rxjs';

/**
 * What is shown, for what takes long to work out of it. While better and better plans come in, it follows a moment later in
 * a task of its own: the picture goes first, and the page answers between. Call it where things are injected.
 */
export function considered<T>(shown: Signal<T>, running: Signal<boolean>): Signal<T> {
  const later = toSignal(toObservable(shown).pipe(debounceTime(0)));
  return computed(() => (running() ? (later() ?? shown()) : shown()));
}

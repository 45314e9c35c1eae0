import type { Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { asyncScheduler, observeOn } from 'rxjs';

/**
 * What a signal says, one task behind it; null until then. What is drawn of the one and what is drawn of the other do not
 * hold the page up in one piece. To be called where a component is made.
 */
export function oneTaskLater<T>(source: Signal<T>): Signal<T | null> {
  return toSignal(toObservable(source).pipe(observeOn(asyncScheduler)), { initialValue: null });
}

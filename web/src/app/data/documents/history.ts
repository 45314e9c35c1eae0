import { computed, type Signal, signal } from '@angular/core';

/** Steps that are kept at the most. */
const MAX = 200;

/** Something whose last steps can be taken back and done again. */
export interface Undoable {
  readonly canUndo: Signal<boolean>;
  readonly canRedo: Signal<boolean>;
  undo(): void;
  redo(): void;
}

/** Values to go back to and forth to, the nearest last. */
export interface Steps<T> {
  past: readonly T[];
  future: readonly T[];
}

/** The values something had, to go back to, and those it was taken back from. */
export class History<T> {
  private readonly past = signal<readonly T[]>([]);
  private readonly future = signal<readonly T[]>([]);
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);

  /** A new step: keeps the value that is about to be replaced; what was taken back can no longer be done again. */
  keep(before: T): void {
    this.past.update((list) => [...list.slice(1 - MAX), before]);
    this.future.set([]);
  }

  /** The value before this one; nothing when there is none. */
  back(now: T): T | undefined {
    return this.step(this.past, this.future, now);
  }

  /** The value that was taken back. */
  forth(now: T): T | undefined {
    return this.step(this.future, this.past, now);
  }

  steps(): Steps<T> {
    return { past: this.past(), future: this.future() };
  }

  /** Goes on with steps that were kept. */
  resume({ past, future }: Steps<T>): void {
    this.past.set(past);
    this.future.set(future);
  }

  /** Something came in from elsewhere: every step has it too, so that going back does not take it away. */
  rebase(change: (value: T) => T): void {
    this.past.update((list) => list.map(change));
    this.future.update((list) => list.map(change));
  }

  private step(from: typeof this.past, to: typeof this.past, now: T): T | undefined {
    const target = from().at(-1);
    if (target === undefined) return undefined;
    from.update((list) => list.slice(0, -1));
    to.update((list) => [...list, now]);
    return target;
  }
}

import { computed, signal } from '@angular/core';
import { History, type Undoable } from '../documents/history';
import { sameJson } from '../same-json';

/** What a bench is set to: with what is only shown while something is dragged, and with the way back. */
export class BenchSettings<T extends object> implements Undoable {
  private readonly current;
  private readonly history = new History<T>();
  /** As it would be after the drag under way; null when there is none. */
  private readonly preview = signal<T | null>(null);
  /** Without what is only shown. */
  readonly set;
  readonly shown = computed(() => this.preview() ?? this.current());
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;

  constructor(first: T) {
    this.current = signal(first);
    this.set = this.current.asReadonly();
  }

  edit(change: Partial<T> | ((before: T) => T)): void {
    const before = this.current();
    const after = typeof change === 'function' ? change(before) : { ...before, ...change };
    this.preview.set(null);
    if (sameJson(after, before)) return;
    this.history.keep(before);
    this.current.set(after);
  }

  show(change: Partial<T> | null): void {
    this.preview.set(change && { ...this.current(), ...change });
  }

  undo(): void {
    this.current.set(this.history.back(this.current()) ?? this.current());
  }

  redo(): void {
    this.current.set(this.history.forth(this.current()) ?? this.current());
  }
}

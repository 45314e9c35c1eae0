import { computed, Directive, input, linkedSignal, output } from '@angular/core';
import { drillSchema, faultSchema, type Issue, questionSchema, skillSchema, toIssues } from '@doceo/contract';
import type { Curriculum, Entries, EntryKind } from '@doceo/core';

const SCHEMAS = { skill: skillSchema, fault: faultSchema, drill: drillSchema, question: questionSchema };

/**
 * A sheet on which one entry is written. What is typed stays on it; only what is whole goes on, and what is not is told at
 * its field.
 */
@Directive()
export abstract class EntrySheet<K extends EntryKind> {
  readonly entry = input.required<Entries[K]>();
  readonly curriculum = input.required<Curriculum>();
  /** Whether it may be changed at all. */
  readonly editable = input(true);
  readonly changed = output<Entries[K]>();

  protected abstract readonly kind: K;
  protected readonly draft = linkedSignal<Entries[K]>(() => this.entry());
  protected readonly issues = computed<Issue[]>(() => {
    const result = SCHEMAS[this.kind].safeParse(this.draft());
    return result.success ? [] : toIssues(result.error);
  });

  protected set(change: Partial<Entries[K]>): void {
    this.draft.update((entry) => ({ ...entry, ...change }));
    if (this.issues().length === 0) this.changed.emit(this.draft());
  }

  /** What is wrong at a field, or at anything below it. */
  protected fault(path: string): string | null {
    const issue = this.issues().find(
      ({ path: at }) => at === path || at.startsWith(`${path}.`) || at.startsWith(`${path}[`),
    );
    return issue?.message ?? null;
  }
}

/** A list with one of it changed, or taken out where there is none. */
export function withAt<T>(list: readonly T[], at: number, one: T | null): T[] {
  return list.flatMap((old, i) => (i === at ? (one === null ? [] : [one]) : [old]));
}

import { computed, inject, signal } from '@angular/core';
import { api, type SavedRig } from '@doceo/contract';
import { ApiClient } from '../api/api-client';

/** One of my rigs for a bench to look at: the first until another one is chosen. Make it where things are injected. */
export class ChosenRig {
  private readonly list = signal<SavedRig[]>([]);
  private readonly chosen = signal<string | null>(null);
  readonly all = this.list.asReadonly();
  readonly rig = computed(() => this.all().find(({ id }) => id === this.chosen()) ?? this.all()[0] ?? null);

  constructor() {
    inject(ApiClient)
      .call(api.rigs.list)
      // Without them the bench goes by what is usual.
      .subscribe({ next: (rigs) => this.list.set(rigs), error: () => undefined });
  }

  choose(id: string): void {
    this.chosen.set(id);
  }
}

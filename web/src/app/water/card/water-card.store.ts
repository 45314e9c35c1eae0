import { computed, inject, Injectable, signal } from '@angular/core';
import type { SavedWater, WaterChange } from '@doceo/contract';
import type { RuleCard } from '@doceo/core';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { WaterChanges } from '../../data/lesson/water-changes';

/** A change without where one has it from. */
export type Change = Partial<Omit<WaterChange, 'source'>>;

/** Changes that can be taken back. */
const MAX_UNDO = 50;

/** One water as it is changed, field by field: each change is saved at once and can be taken back. */
@Injectable()
export class WaterCardStore {
  private readonly day = inject(DayStore);
  private readonly changes = inject(WaterChanges);
  readonly id = signal('');
  /** From where one has what is changed next. */
  readonly source = signal('');
  readonly saving = signal(false);
  readonly error = signal<ApiError | null>(null);
  private readonly before = signal<Change[]>([]);
  readonly canUndo = computed(() => this.before().length > 0);
  readonly saved = computed<SavedWater | null>(
    () => this.day.waters().find(({ id }) => id === this.id()) ?? null,
  );
  readonly water = computed(() => this.saved()?.water ?? null);

  change(change: Change): void {
    const water = this.water();
    if (!water) return;
    const back = inverse(water, change);
    this.send(change, this.source(), () => this.before.update((list) => [...list, back].slice(-MAX_UNDO)));
  }

  undo(): void {
    const back = this.before().at(-1);
    if (back) this.send(back, '', () => this.before.update((list) => list.slice(0, -1)));
  }

  private send(change: Change, source: string, then: () => void): void {
    this.saving.set(true);
    this.error.set(null);
    this.changes.change(this.id(), { ...change, source }).subscribe({
      next: () => {
        this.saving.set(false);
        then();
      },
      error: (error: ApiError) => {
        this.saving.set(false);
        this.error.set(error);
      },
    });
  }
}

/** What makes a change as if it had not been made. */
function inverse(water: SavedWater['water'], change: Change): Change {
  const { rules, putPlaces = [], removePlaces = [], ...own } = change;
  const pick = <T extends object>(from: T, fields: object): Partial<T> =>
    Object.fromEntries(Object.keys(fields).map((field) => [field, from[field as keyof T]])) as Partial<T>;
  const touched = [...putPlaces.map(({ id }) => id), ...removePlaces];
  return {
    ...pick(water, own),
    ...(rules ? { rules: pick<RuleCard>(water.rules, rules) } : {}),
    putPlaces: water.places.filter(({ id }) => touched.includes(id)),
    removePlaces: putPlaces.map(({ id }) => id).filter((id) => !water.places.some((one) => one.id === id)),
  };
}

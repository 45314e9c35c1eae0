import { computed, inject, Injectable } from '@angular/core';
import type { SavedStudent } from '@doceo/contract';
import { UserStorage } from '../../data/device/user-storage';
import { DayStore } from '../../data/lesson/day-store';
import { SessionStore } from '../../data/session';
import { type GroupPlace, placeIn } from './group-place';
import { parted } from './parted';

/** The group of the lesson at the bank: who is in it, where it is, and for whom of it taps count. */
@Injectable()
export class Group {
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  private readonly lesson = this.day.lesson;

  /** Where the group is and for whom taps count, kept over reloads; of one lesson at a time. */
  private readonly kept = inject(UserStorage).value<GroupPlace | null>('teach.place', null);

  readonly students = computed(() => this.day.studentsOf(this.lesson()));
  readonly place = computed(() => placeIn(this.lesson()?.id ?? '', this.kept()));
  /** One's own part of the group, and those whom others have; who has nobody has all. */
  readonly parted = computed(() => parted(this.students(), this.lesson(), this.session.user()?.id));
  readonly showsOthers = computed(() => this.place().others ?? false);
  /** Those for whom one may tap now. */
  readonly shown = computed(() => (this.showsOthers() ? this.students() : this.parted().mine));
  /** For whom a tap counts: one or more, in the order of the lesson. */
  readonly chosen = computed<SavedStudent[]>(() => {
    const { chosen } = this.place();
    const found = this.shown().filter(({ id }) => chosen.includes(id));
    return found.length > 0 ? found : this.shown().slice(0, 1);
  });
  /** The one for whom a tap counts; the first of several. */
  readonly student = computed(() => this.chosen()[0] ?? null);
  readonly everybody = computed(
    () => this.chosen().length > 1 && this.chosen().length === this.shown().length,
  );
  readonly several = computed(() => this.chosen().length > 1);

  /** Taps count for these from now on. */
  choose(ids: readonly string[]): void {
    this.put({ chosen: [...ids] });
  }

  chooseAll(): void {
    this.choose(this.shown().map(({ id }) => id));
  }

  /** Shows those whom others have too, or one's own part of the group alone. */
  turn(): void {
    this.put({ others: !this.showsOthers() });
  }

  /** Adds a student to those chosen, or takes him off; the last one stays. */
  toggle(id: string): void {
    const now = this.chosen().map((student) => student.id);
    const next = now.includes(id) ? now.filter((other) => other !== id) : [...now, id];
    if (next.length > 0) this.choose(next);
  }

  put(change: Partial<GroupPlace>): void {
    this.kept.set({ ...this.place(), ...change });
  }
}

import { computed, inject, Injectable } from '@angular/core';
import { ageOn, type SavedStudent } from '@doceo/contract';
import { adapt, needsOf } from '@doceo/core';
import { adaptedText, listed } from '@doceo/texts';
import { aboutStudent, callNames, initials } from '../data/lesson/lesson-texts';
import { SessionStore } from '../data/session';
import { BankSession } from './bank-session';
import { triesOf } from './tries-of';
import type { BarStudent } from './who-bar.component';

/** Tries shown under a name. */
const SHOWN_TRIES = 8;

/** The students at the bank in words: for whom a tap counts, of whom it is recorded, and what matters of them. */
@Injectable()
export class WhoWords {
  private readonly book = inject(BankSession);
  private readonly units = inject(SessionStore).units;
  private readonly names = computed(() => callNames(this.book.group.students()));

  /** Those one may tap for, with their last tries. */
  readonly bar = computed<BarStudent[]>(() => {
    const chosen = new Set(this.book.group.chosen().map(({ id }) => id));
    return this.book.group.shown().map(({ id, student }) => ({
      id,
      initials: initials(student.name),
      first: this.names().get(id) ?? '',
      line: aboutStudent(student),
      tries: triesOf(this.book.today(), id).slice(-SHOWN_TRIES),
      chosen: chosen.has(id),
      out: this.book.isOut(id),
    }));
  });

  /** Of one what matters at the water; of several, of whom nothing is kept. */
  readonly about = computed(() => {
    if (!this.book.group.several()) return this.aboutOne();
    const withheld = this.book.withheld().map(({ student }) => student);
    return withheld.length > 0 ? `nothing is kept of ${this.namesOf(withheld)}` : '';
  });

  /** Those chosen with all that matters at the water. */
  readonly people = computed(() =>
    this.book.group.chosen().map(({ id, student }) => {
      const age = ageNow(student);
      return {
        id,
        name: student.name,
        age: age === null ? '' : `, ${age}`,
        about: aboutStudent(student),
        guardian: student.guardianName,
        withheld: this.book.withheld().find((one) => one.student.id === id)?.why ?? '',
        call: student.guardianContact.replace(/[^+\d]/g, '').length > 4 ? student.guardianContact : '',
      };
    }),
  );

  /** For whom a tap counts. */
  forWhom(withFor = true): string {
    const chosen = this.book.group.chosen();
    const told = this.book.group.everybody() ? `all ${chosen.length}` : this.namesOf(chosen);
    return withFor ? `For ${told}` : told;
  }

  /** Of whom a tap is recorded. */
  recorded(): string {
    return this.book.withheld().length > 0 ? this.namesOf(this.book.recorded()) : this.forWhom(false);
  }

  namesOf(students: readonly SavedStudent[]): string {
    return listed(students.map(({ id }) => this.names().get(id) ?? ''));
  }

  /** How the drill of the moment bends to him, else what to remember of him. */
  private aboutOne(): string {
    const [saved, drill] = [this.book.group.student(), this.book.drill()];
    if (!saved) return '';
    const { student } = saved;
    const needs = needsOf({ ...student, ageYears: ageNow(student) });
    const bent = drill && adaptedText(adapt(this.book.curriculum(), drill, needs), this.units());
    return bent || aboutStudent(student);
  }
}

function ageNow({ bornOn }: SavedStudent['student']): number | null {
  return ageOn(bornOn, new Date().toISOString().slice(0, 10));
}

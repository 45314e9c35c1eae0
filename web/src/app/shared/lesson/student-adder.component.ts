import { Component, ElementRef, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Student, studentSchema } from '@doceo/contract';
import { ADULT_AGE } from '@doceo/core';
import type { ApiError } from '../../data/api/api-error';
import { checked } from '../../data/api/checked';
import { DayStore } from '../../data/lesson/day-store';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** A student of whom nothing is said but what follows. */
export const UNKNOWN_STUDENT: Student = {
  name: '',
  bornOn: null,
  saidAdult: false,
  hand: 'right',
  heightM: null,
  needs: [],
  note: '',
  guardianName: '',
  guardianContact: '',
  guardianConsentOn: null,
};

/** Adds one student after the other by name; the field is empty and ready again after each. */
@Component({
  selector: 'doceo-student-adder',
  imports: [FormsModule, TextFieldComponent],
  template: `
    <form (ngSubmit)="add()" novalidate>
      <doceo-text-field
        label="Name of a student"
        name="student-name"
        autocomplete="off"
        [most]="80"
        [value]="name()"
        [fault]="error()?.at('name') ? 'a name is needed' : general()"
        (typed)="name.set($event)"
      />
      <label class="adult"
        ><input type="checkbox" name="adult" [ngModel]="adult()" (ngModelChange)="adult.set($event)" />{{
          age
        }}
        or older</label
      >
      <button type="submit" class="btn" [disabled]="busy()">Add</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 12px;
    }
    doceo-text-field {
      flex: 1 1 180px;
      max-width: 320px;
    }
    .adult {
      display: flex;
      align-items: center;
      gap: 6px;
      min-height: 36px;
    }
  `,
})
export class StudentAdderComponent {
  private readonly day = inject(DayStore);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly added = output<string>();
  protected readonly age = ADULT_AGE;
  protected readonly name = signal('');
  protected readonly adult = signal(false);
  protected readonly busy = signal(false);
  protected readonly error = signal<ApiError | null>(null);

  protected general(): string | null {
    const error = this.error();
    return error && !error.at('name') ? error.message : null;
  }

  protected add(): void {
    const form = checked(studentSchema, {
      ...UNKNOWN_STUDENT,
      name: this.name(),
      saidAdult: this.adult(),
    });
    if ('error' in form) return this.error.set(form.error);
    this.busy.set(true);
    this.error.set(null);
    const id = crypto.randomUUID();
    this.day.saveStudent(id, form.data).subscribe({
      next: () => {
        this.busy.set(false);
        this.name.set('');
        this.adult.set(false);
        this.added.emit(id);
        this.host.nativeElement.querySelector<HTMLInputElement>('input[name=student-name]')?.focus();
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.error.set(error);
      },
    });
  }
}

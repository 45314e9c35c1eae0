import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { ageOn, type SavedStudent, type Student, studentSchema } from '@doceo/contract';
import { ADULT_AGE, formatLength, type Need, NEEDS } from '@doceo/core';
import { NEED_NAMES, needLimitsText } from '@doceo/texts';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { SessionStore } from '../../data/session';
import { plainLength } from '../../parts/fields/plain-length';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { checked } from '../../data/api/checked';
import { UNKNOWN_STUDENT } from '../../shared/lesson/student-adder.component';

/** What is kept about a student. A minor asks for a guardian and consent. */
@Component({
  selector: 'doceo-student-dialog',
  imports: [ChoiceFieldComponent, DialogComponent, FormsModule, TextFieldComponent],
  templateUrl: './student-dialog.component.html',
  styles: `
    .body {
      display: grid;
      gap: 12px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
    fieldset {
      border: 1.5px solid var(--safety);
      display: grid;
      gap: 10px;
      padding: 8px 12px 12px;
    }
    .needs {
      display: grid;
      gap: 6px;
    }
    .needs p {
      margin: 0;
    }
  `,
})
export class StudentDialogComponent implements OnInit {
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  readonly saved = input<SavedStudent | null>(null);
  readonly closed = output<string | null>();
  protected readonly form = signal<Student>(UNKNOWN_STUDENT);
  protected readonly heightText = signal('');
  protected readonly wrongHeight = signal<string | null>(null);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly today = new Date().toISOString().slice(0, 10);
  protected readonly hands = [
    { value: 'right' as const, text: 'right hand' },
    { value: 'left' as const, text: 'left hand' },
  ];
  /** The left hand is asked above. */
  protected readonly needs = NEEDS.filter((need) => need !== 'left-hand');
  protected readonly needNames = NEED_NAMES;
  /** What each need that is chosen asks for in any drill. */
  protected readonly needLines = computed(() =>
    this.form().needs.flatMap((need) => needLimitsText(need, this.session.units()) ?? []),
  );
  protected readonly adultAge = ADULT_AGE;
  private readonly age = computed(() => ageOn(this.form().bornOn, this.today));
  /** A minor, or somebody of whom nobody has said that he is none. */
  protected readonly minor = computed(() => {
    const age = this.age();
    return age === null ? !this.form().saidAdult : age < ADULT_AGE;
  });

  ngOnInit(): void {
    const student = this.saved()?.student ?? UNKNOWN_STUDENT;
    this.form.set(student);
    if (student.heightM !== null) this.heightText.set(formatLength(student.heightM, this.session.units()));
  }

  protected set(change: Partial<Student>): void {
    this.form.update((form) => ({ ...form, ...change }));
  }

  protected toggle(need: Need): void {
    const { needs } = this.form();
    this.set({
      needs: needs.includes(need) ? needs.filter((one) => one !== need) : [...needs, need],
    });
  }

  protected setHeight(text: string): void {
    this.heightText.set(text);
    const heightM = text.trim() === '' ? null : plainLength(text, this.session.units());
    const wrong = text.trim() !== '' && (heightM === null || heightM < 0.8 || heightM > 2.3);
    this.wrongHeight.set(
      wrong
        ? `from ${formatLength(0.8, this.session.units())} to ${formatLength(2.3, this.session.units())}`
        : null,
    );
    if (!wrong) this.set({ heightM });
  }

  protected save(): void {
    if (this.wrongHeight()) return;
    const form = checked(studentSchema, this.form());
    if ('error' in form) return this.error.set(form.error);
    const id = this.saved()?.id ?? crypto.randomUUID();
    this.day
      .saveStudent(id, form.data)
      .subscribe({ next: () => this.closed.emit(id), error: (error: ApiError) => this.error.set(error) });
  }
}

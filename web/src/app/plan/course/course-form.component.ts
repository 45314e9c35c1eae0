import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MAX_GOALS, type SavedCourse } from '@doceo/contract';
import { MAX_GROUP, type Strand } from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';

import { DateTime } from 'luxon';
import { DatePickerModule } from 'primeng/datepicker';
import type { ApiError } from '../../data/api/api-error';
import { CourseStore } from '../../data/lesson/course-store';
import { DayStore } from '../../data/lesson/day-store';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** A new course lasts so long at first. */
const USUAL_WEEKS = 6;

/** What a course is: its name, its days, who takes part, and what they want to be able to do. */
@Component({
  selector: 'doceo-course-form',
  imports: [DatePickerModule, DialogComponent, FormsModule, TextFieldComponent],
  template: `
    <doceo-dialog
      [heading]="saved() ? 'Change the course' : 'New course'"
      [width]="680"
      [typed]="true"
      (closed)="closed.emit()"
    >
      <form (ngSubmit)="save()" novalidate>
        <doceo-text-field
          label="Name"
          name="name"
          [most]="80"
          [value]="name()"
          [fault]="at('name') ? 'a name is needed' : null"
          (typed)="name.set($event)"
        />
        <div class="row days">
          @for (date of dates; track date.id) {
            <div class="field">
              <label [for]="date.id">{{ date.label }}</label>
              <p-datepicker
                [inputId]="date.id"
                [name]="date.id"
                [ngModel]="date.value()"
                (ngModelChange)="date.value.set($event)"
                [showOnFocus]="false"
                [showIcon]="true"
                iconDisplay="input"
                [firstDayOfWeek]="1"
                dateFormat="D d M yy"
                appendTo="body"
              />
            </div>
          }
          @if (dayFault(); as text) {
            <span class="wrong" role="alert">{{ text }}</span>
          }
        </div>
        <fieldset>
          <legend>Who takes part</legend>
          <div class="choices">
            @for (student of day.students(); track student.id) {
              <label [class.on]="who().includes(student.id)"
                ><input
                  type="checkbox"
                  [checked]="who().includes(student.id)"
                  [disabled]="who().length >= mostStudents && !who().includes(student.id)"
                  (change)="who.set(toggled(who(), student.id))"
                />{{ student.student.name }}</label
              >
            } @empty {
              <p class="soft">No student yet: the Record adds them.</p>
            }
          </div>
        </fieldset>
        <fieldset>
          <legend>
            What they want to be able to do ({{ goals().length }} of {{ mostGoals }} at the most)
          </legend>
          @for (strand of strands(); track strand.name) {
            <details [open]="strand.open">
              <summary>
                {{ strand.name }}
                @if (strand.count > 0) {
                  <b class="figure">{{ strand.count }}</b>
                }
              </summary>
              <div class="choices">
                @for (skill of strand.skills; track skill.id) {
                  <label [class.on]="goals().includes(skill.id)"
                    ><input
                      type="checkbox"
                      [checked]="goals().includes(skill.id)"
                      [disabled]="goals().length >= mostGoals && !goals().includes(skill.id)"
                      (change)="goals.set(toggled(goals(), skill.id))"
                    />{{ skill.name }}</label
                  >
                }
              </div>
            </details>
          }
          @if (at('goals')) {
            <span class="wrong" role="alert">choose at least one</span>
          }
        </fieldset>
        @if (general(); as text) {
          <p class="wrong" role="alert">{{ text }}</p>
        }
        <button type="submit" class="btn go" [disabled]="busy()">
          {{ saved() ? 'Save the course' : 'Begin the course' }}
        </button>
      </form>
    </doceo-dialog>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
    }
    .days {
      gap: 12px;
    }
    .go {
      justify-self: start;
    }
    fieldset {
      margin: 0;
      padding: 0;
      border: 0;
    }
    .choices {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
      gap: 2px 10px;
    }
    .choices label {
      display: flex;
      align-items: center;
      gap: 8px;
      min-height: 36px;
      padding: 2px 6px;
    }
    .choices .on {
      background: var(--shallow);
    }
    summary {
      min-height: 36px;
      padding: 6px 0;
      cursor: pointer;
      font-weight: 700;
    }
  `,
})
export class CourseFormComponent implements OnInit {
  private readonly store = inject(CourseStore);
  private readonly teaching = inject(TeachingStore);
  protected readonly day = inject(DayStore);
  /** null for a new one. */
  readonly saved = input<SavedCourse | null>(null);
  readonly closed = output<void>();
  readonly kept = output<SavedCourse>();

  protected readonly mostGoals = MAX_GOALS;
  protected readonly mostStudents = MAX_GROUP;
  protected readonly name = signal('');
  private readonly fromOn = signal<Date | null>(null);
  private readonly untilOn = signal<Date | null>(null);
  protected readonly dates = [
    { id: 'course-from', label: 'From', value: this.fromOn },
    { id: 'course-until', label: 'Wanted by', value: this.untilOn },
  ];
  protected readonly who = signal<string[]>([]);
  protected readonly goals = signal<string[]>([]);
  protected readonly busy = signal(false);
  private readonly error = signal<ApiError | null>(null);
  protected readonly general = computed(() => {
    const error = this.error();
    return error && !['name', 'fromOn', 'untilOn', 'goals'].some((path) => this.at(path))
      ? error.message
      : null;
  });
  protected readonly dayFault = computed(() => {
    if (!this.error()) return null;
    if (!this.fromOn() || !this.untilOn()) return 'say both days';
    return this.at('untilOn') ? 'the last day is before the first' : null;
  });
  protected readonly strands = computed(() => {
    const skills = this.teaching.curriculum().skills.all;
    const first = this.saved()?.course.goals ?? [];
    return [...new Set(skills.map(({ strand }) => strand))].map((strand: Strand) => {
      const own = skills.filter((skill) => skill.strand === strand);
      return {
        name: STRAND_NAMES[strand],
        skills: own,
        count: own.filter(({ id }) => this.goals().includes(id)).length,
        open: own.some(({ id }) => first.includes(id)),
      };
    });
  });

  ngOnInit(): void {
    const course = this.saved()?.course;
    const today = DateTime.fromMillis(this.day.now()).startOf('day');
    this.name.set(course?.name ?? '');
    this.fromOn.set(course ? dateOf(course.fromOn) : today.toJSDate());
    this.untilOn.set(course ? dateOf(course.untilOn) : today.plus({ weeks: USUAL_WEEKS }).toJSDate());
    this.who.set(course?.studentIds ?? this.day.nextLesson()?.studentIds ?? []);
    this.goals.set(course?.goals ?? []);
  }

  protected toggled(list: readonly string[], id: string): string[] {
    return list.includes(id) ? list.filter((other) => other !== id) : [...list, id];
  }

  protected at(path: string): string | null {
    return this.error()?.at(path) ?? this.error()?.at(`course.${path}`) ?? null;
  }

  protected save(): void {
    this.busy.set(true);
    this.error.set(null);
    const course = {
      ...{ name: this.name(), fromOn: isoOf(this.fromOn()), untilOn: isoOf(this.untilOn()) },
      ...{ goals: this.goals(), studentIds: this.who() },
    };
    this.store.save(this.saved()?.id ?? crypto.randomUUID(), course).subscribe({
      next: (saved) => this.kept.emit(saved),
      error: (error: ApiError) => {
        this.error.set(error);
        this.busy.set(false);
      },
    });
  }
}

/** A day of the calendar, as the picker has it. */
function dateOf(iso: string): Date {
  return DateTime.fromISO(iso).toJSDate();
}

function isoOf(date: Date | null): string {
  return (date && DateTime.fromJSDate(date).toISODate()) ?? '';
}

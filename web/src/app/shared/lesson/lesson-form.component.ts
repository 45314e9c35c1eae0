import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { SavedLesson } from '@doceo/contract';
import { MAX_GROUP } from '@doceo/core';
import { DateTime } from 'luxon';
import { DatePickerModule } from 'primeng/datepicker';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { aboutStudent } from '../../data/lesson/lesson-texts';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { WaterDialogComponent } from '../water/water-dialog.component';
import { StudentAdderComponent } from './student-adder.component';

/** Minutes to which a start is rounded up that is meant for now. */
const NOW_STEP_MIN = 5;
const FIRST_HOUR = 9;
const FIRST_MINUTE = 30;

/** A day and a water that were chosen for a plan, with who comes. */
export type ProposedLesson = Pick<SavedLesson, 'waterId' | 'startsAt' | 'studentIds'>;

/** A plan's day, water and students. Water and students that miss are added here. */
@Component({
  selector: 'doceo-lesson-form',
  imports: [ChoiceFieldComponent, DatePickerModule, FormsModule, StudentAdderComponent, WaterDialogComponent],
  templateUrl: './lesson-form.component.html',
  styleUrl: './lesson-form.component.css',
})
export class LessonFormComponent implements OnInit {
  protected readonly day = inject(DayStore);
  /** Null for a lesson that goes on with its own copy of a plan. */
  readonly planId = input.required<string | null>();
  readonly lesson = input<SavedLesson | null>(null);
  /** A new lesson begins now, with everybody there is; else tomorrow morning, with nobody. */
  readonly now = input(false);
  /** What a new lesson begins with, where somebody chose it before. */
  readonly proposed = input<ProposedLesson | null>(null);
  readonly saved = output<SavedLesson>();

  protected readonly about = aboutStudent;
  protected readonly most = MAX_GROUP;
  protected readonly waterId = signal('');
  protected readonly chosen = signal<string[]>([]);
  protected readonly when = signal<Date | null>(null);
  protected readonly error = signal<ApiError | null>(null);
  private readonly missing = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly addingWater = signal(false);
  protected readonly full = computed(() => this.chosen().length >= MAX_GROUP);
  protected readonly waters = computed(() =>
    this.day.waters().map(({ id, water }) => ({ value: id, text: `${water.name}, ${water.kind}` })),
  );
  /** What is wrong with no field of its own. */
  protected readonly problem = computed(
    () => this.missing() ?? (this.error()?.issues.length === 0 ? this.error()?.message : null),
  );
  private readonly zone = computed(
    () => this.day.waters().find(({ id }) => id === this.waterId())?.water.timeZone ?? 'UTC',
  );

  ngOnInit(): void {
    const lesson = this.lesson() ?? this.proposed();
    this.waterId.set(lesson?.waterId ?? this.day.waters()[0]?.id ?? '');
    const everybody = this.now()
      ? this.day
          .students()
          .map(({ id }) => id)
          .slice(0, MAX_GROUP)
      : [];
    this.chosen.set(lesson?.studentIds ?? everybody);
    this.when.set(lesson ? toWall(lesson.startsAt, this.zone()) : this.firstStart());
  }

  protected toggle(id: string): void {
    this.chosen.update((list) =>
      list.includes(id) ? list.filter((other) => other !== id) : [...list, id].slice(0, MAX_GROUP),
    );
  }

  protected save(): void {
    const when = this.when();
    this.error.set(null);
    this.missing.set(
      !when
        ? 'Say when it starts: a day and an hour, as Sat 28 Nov 2026, 09:30.'
        : this.waterId() === ''
          ? 'Say at which water: add one first.'
          : null,
    );
    if (!when || this.missing()) return;
    this.busy.set(true);
    this.day
      .saveLesson(this.lesson()?.id ?? crypto.randomUUID(), {
        planId: this.planId(),
        waterId: this.waterId(),
        startsAt: fromWall(when, this.zone()),
        studentIds: this.chosen(),
      })
      .subscribe({
        next: (saved) => this.saved.emit(saved),
        error: (error: ApiError) => {
          this.error.set(error);
          this.busy.set(false);
        },
      });
  }

  protected waterMade(id: string | null): void {
    this.addingWater.set(false);
    if (id) this.waterId.set(id);
  }

  private firstStart(): Date {
    const now = DateTime.now();
    if (!this.now())
      return now
        .plus({ days: 1 })
        .set({ hour: FIRST_HOUR, minute: FIRST_MINUTE, second: 0, millisecond: 0 })
        .toJSDate();
    const there = now.setZone(this.zone()).setZone('local', { keepLocalTime: true });
    const minute = Math.ceil(there.minute / NOW_STEP_MIN) * NOW_STEP_MIN;
    return there.set({ minute, second: 0, millisecond: 0 }).toJSDate();
  }
}

/** The picker shows wall time in the browser's zone; what is meant is wall time at the water. */
function toWall(startsAt: string, zone: string): Date {
  return DateTime.fromISO(startsAt, { zone }).setZone('local', { keepLocalTime: true }).toJSDate();
}

function fromWall(when: Date, zone: string): string {
  return DateTime.fromJSDate(when).setZone(zone, { keepLocalTime: true }).toUTC().toISO() ?? '';
}

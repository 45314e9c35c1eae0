import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { MAX_GROUP } from '@doceo/core';
import type { SavedLesson } from '@doceo/contract';
import { DateTime } from 'luxon';
import { DatePickerModule } from 'primeng/datepicker';
import { DialogComponent } from '../../parts/dialog.component';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { aboutStudent } from '../../data/lesson/lesson-texts';
import { WaterDialogComponent } from './water-dialog.component';

/** Puts a plan on a day, at a water, with students, or changes that. */
@Component({
  selector: 'doceo-lesson-dialog',
  imports: [FormsModule, RouterLink, DialogComponent, DatePickerModule, WaterDialogComponent],
  templateUrl: './lesson-dialog.component.html',
  styleUrl: './lesson-dialog.component.css',
})
export class LessonDialogComponent implements OnInit {
  protected readonly day = inject(DayStore);
  /** Null for a lesson that goes on with its own copy of a plan. */
  readonly planId = input.required<string | null>();
  readonly lesson = input<SavedLesson | null>(null);
  readonly closed = output<SavedLesson | null>();

  protected readonly about = aboutStudent;
  protected readonly waterId = signal('');
  protected readonly chosen = signal<string[]>([]);
  protected readonly when = signal<Date | null>(null);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly busy = signal(false);
  protected readonly addingWater = signal(false);
  protected readonly full = computed(() => this.chosen().length >= MAX_GROUP);
  protected readonly zone = computed(
    () => this.day.waters().find(({ id }) => id === this.waterId())?.water.timeZone ?? 'UTC',
  );

  ngOnInit(): void {
    const lesson = this.lesson();
    this.waterId.set(lesson?.waterId ?? this.day.waters()[0]?.id ?? '');
    this.chosen.set(lesson?.studentIds ?? []);
    this.when.set(
      lesson
        ? toWall(lesson.startsAt, this.zone())
        : DateTime.now().plus({ days: 1 }).set({ hour: 9, minute: 30, second: 0, millisecond: 0 }).toJSDate(),
    );
  }

  protected toggle(id: string): void {
    this.chosen.update((list) => (list.includes(id) ? list.filter((other) => other !== id) : [...list, id]));
  }

  protected save(): void {
    const when = this.when();
    if (!when || !this.waterId()) return;
    this.busy.set(true);
    this.error.set(null);
    const startsAt = fromWall(when, this.zone());
    this.day
      .saveLesson(this.lesson()?.id ?? crypto.randomUUID(), {
        planId: this.planId(),
        waterId: this.waterId(),
        startsAt,
        studentIds: this.chosen(),
      })
      .subscribe({
        next: (saved) => this.closed.emit(saved),
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
}

/** The picker shows wall time in the browser's zone; what is meant is wall time at the water. */
function toWall(startsAt: string, zone: string): Date {
  return DateTime.fromISO(startsAt, { zone }).setZone('local', { keepLocalTime: true }).toJSDate();
}

function fromWall(when: Date, zone: string): string {
  return DateTime.fromJSDate(when).setZone(zone, { keepLocalTime: true }).toUTC().toISO() ?? '';
}

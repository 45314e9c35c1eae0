import { Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SavedLesson, SavedPlan } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { DayStore } from '../data/lesson/day-store';
import { dayText, withText } from '../data/lesson/lesson-texts';
import { LessonDialogComponent } from '../shared/lesson/lesson-dialog.component';
import { ProposeDialogComponent } from './sharing/propose-dialog.component';
import { ShareDialogComponent } from './sharing/share-dialog.component';

/** The lessons a plan is taught at, and where one goes on from it. */
@Component({
  selector: 'doceo-plan-day',
  imports: [LessonDialogComponent, ProposeDialogComponent, RouterLink, ShareDialogComponent],
  templateUrl: './plan-day.component.html',
  styles: `
    :host {
      display: block;
    }

    h2 {
      margin-top: 16px;
    }

    .actions {
      margin-top: 8px;
    }
  `,
})
export class PlanDayComponent {
  private readonly messages = inject(MessageService);
  protected readonly day = inject(DayStore);
  readonly plan = input.required<SavedPlan>();
  /** The lesson in the strip, when it is one of this plan. */
  readonly lesson = input.required<SavedLesson | null>();
  /** It is shared otherwise than before. */
  readonly shared = output<SavedPlan>();
  /** A new day, another one for the lesson in the strip, and what fellows are told. */
  protected readonly dialog = signal<'new' | 'change' | 'share' | 'propose' | null>(null);

  /** Whether a shared plan was changed since fellows were told of it. */
  protected readonly ahead = computed(() => {
    const { mine, circleId, version, toldVersion } = this.plan();
    return mine && circleId !== null && version > (toldVersion ?? 0);
  });
  protected readonly taught = computed(() =>
    this.day
      .lessons()
      .filter(({ planId }) => planId === this.plan().id)
      .map((lesson) => ({ id: lesson.id, on: this.dayOf(lesson), where: whereText(lesson) })),
  );

  protected isShared(plan: SavedPlan | null): void {
    this.dialog.set(null);
    if (!plan) return;
    this.shared.emit(plan);
    this.messages.add({
      severity: 'success',
      summary: plan.circleName ? `Shared with ${plan.circleName}` : 'Private again',
      life: 4000,
    });
  }

  private dayOf(lesson: SavedLesson): string {
    return dayText(lesson.startsAt, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC');
  }
}

function whereText(lesson: SavedLesson): string {
  const count = lesson.studentIds.length;
  return [lesson.waterName, `${count} ${count === 1 ? 'student' : 'students'}`, withText(lesson)]
    .filter(Boolean)
    .join(', ');
}

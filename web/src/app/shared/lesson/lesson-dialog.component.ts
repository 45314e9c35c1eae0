import { Component, inject, input, output, signal } from '@angular/core';
import type { SavedLesson } from '@doceo/contract';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { Undoable } from '../../data/undoable';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { LessonFormComponent, type ProposedLesson } from './lesson-form.component';

/** Schedules a plan, or changes a lesson. */
@Component({
  selector: 'doceo-lesson-dialog',
  imports: [DialogComponent, LessonFormComponent],
  template: `
    <doceo-dialog
      [heading]="lesson() ? 'Change the lesson' : 'Schedule a lesson'"
      [width]="560"
      [typed]="true"
      (closed)="closed.emit(null)"
    >
      <doceo-lesson-form
        [planId]="planId()"
        [lesson]="lesson()"
        [proposed]="proposed()"
        (saved)="closed.emit($event)"
      >
        <button type="button" class="btn" (click)="closed.emit(null)">Cancel</button>
        @if (lesson()) {
          <button type="button" class="btn plain" (click)="callOff()">Cancel the lesson</button>
        }
      </doceo-lesson-form>
      @if (refused(); as text) {
        <p class="wrong" role="alert">{{ text }}</p>
      }
    </doceo-dialog>
  `,
})
export class LessonDialogComponent {
  /** Null for a lesson that goes on with its own copy of a plan. */
  readonly planId = input.required<string | null>();
  readonly lesson = input<SavedLesson | null>(null);
  /** What a new lesson begins with. */
  readonly proposed = input<ProposedLesson | null>(null);
  readonly closed = output<SavedLesson | null>();
  private readonly day = inject(DayStore);
  private readonly undoable = inject(Undoable);
  protected readonly refused = signal<string | null>(null);

  /** The lesson goes from the calendar; what belongs to students keeps one that was taught. */
  protected callOff(): void {
    const lesson = this.lesson();
    if (!lesson) return;
    const { id, planId, waterId, startsAt, studentIds } = lesson;
    this.refused.set(null);
    this.day.removeLesson(id).subscribe({
      next: () => {
        // Who shows the lesson leaves with it.
        this.closed.emit(null);
        this.undoable.told(`${lesson.planTitle} is cancelled`, () =>
          this.day.saveLesson(id, { planId, waterId, startsAt, studentIds }).subscribe(),
        );
      },
      error: ({ message }: ApiError) => this.refused.set(message),
    });
  }
}
